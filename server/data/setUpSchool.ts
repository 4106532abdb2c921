import type { Knex } from 'knex'
import type { PersonRow } from './tables'
import { withTermsAs } from '../../core/marks/markRules'
import { writePlan } from '../../core/narrative/plan'
import { writePronouns } from '../../core/people/pronouns'
import { phraseColumns } from './schoolSetup'
import type { ClassRecord } from '../../core/record/classRecord'
import type { Student } from '../../core/record/roster'
import { nothingRetired, type Retired } from '../../core/school/keptSetup'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import type { Term } from '../../core/record/term'
import { studentRow } from './studentColumns'

/** Adds a school year, with what is the school's own in it. @returns its id */
export async function addYear(
  db: Knex,
  { name, starts, ends }: { name: string; starts: string; ends: string },
  setup: SchoolSetup,
  retired: Retired = nothingRetired,
): Promise<string> {
  const year = idOf(await db('school_year').insert({ name, starts, ends }).returning('id'))
  await setUpYear(db, year, setup, retired)
  await db('setup_version').insert({ year_id: year })
  return year
}

/** Sets up scales, subjects, skills, habits, boxes, phrasebook and layout of a year that has none. */
async function setUpYear(db: Knex, year: string, record: SchoolSetup, retired: Retired): Promise<void> {
  await db('school').insert({ year_id: year, settings: JSON.stringify(record.school) })
  await db('scale').insert(
    record.scales.map((scale) => ({ year_id: year, key: scale.key, definition: JSON.stringify(scale) })),
  )
  await db('subject').insert(
    record.subjects.map((subject, position) => ({
      year_id: year,
      key: subject.key,
      name: subject.name,
      in_sentence: subject.inSentence,
      position,
      mark_scale: subject.markScale,
      skill_scale: subject.skillScale,
      mark_scale_by_grade: JSON.stringify(subject.markScaleByGrade ?? []),
      skill_scale_by_grade: JSON.stringify(subject.skillScaleByGrade ?? []),
      strand_names: JSON.stringify(subject.strandNames ?? {}),
      taken_by: subject.takenBy ?? 'class',
      retired: retired.subjects.has(subject.key),
    })),
  )
  await db('skill').insert(
    record.skills.map((skill, position) => ({
      year_id: year,
      id: skill.id,
      subject: skill.subject,
      strand: skill.strand,
      statement: skill.statement,
      family_words: skill.familyWords,
      in_sentence: skill.inSentence,
      does: skill.does,
      grade_from: skill.grades?.from ?? null,
      grade_to: skill.grades?.to ?? null,
      teacher_only: skill.teacherOnly,
      retired: retired.skills.has(skill.id),
      position,
    })),
  )
  await db('habit').insert(
    record.habits.map((habit, position) => ({
      year_id: year,
      key: habit.key,
      name: habit.name,
      family_words: habit.familyWords,
      scale: habit.scale,
      retired: retired.habits.has(habit.key),
      position,
    })),
  )
  await db('comment_box').insert(
    record.boxes.map((box, position) => ({
      year_id: year,
      key: box.key,
      name: box.name,
      subject: box.subject,
      character_limit: box.limit,
      limit_by_grade: JSON.stringify(box.limitByGrade ?? []),
      tone: box.tone,
      plan: writePlan(box.plan),
      retired: retired.boxes.has(box.key),
      position,
    })),
  )
  // In parts: a statement takes no more than 65,535 values, and a phrasebook may have twenty thousand phrases.
  await db.batchInsert(
    'phrase',
    record.phrasebook.phrases.map((phrase, position) => ({
      year_id: year,
      id: phrase.id,
      ...phraseColumns(phrase),
      position,
    })),
    1000,
  )
  await db('describing_words').insert(
    Object.entries(record.phrasebook.describing).map(([tier, words]) => ({ year_id: year, tier, words: [...words] })),
  )
  await db('layout').insert({ year_id: year, key: record.layout.key, definition: JSON.stringify(record.layout) })
}

/** Adds a term to a year. @returns its id */
export async function addTerm(db: Knex, term: Omit<Term, 'id' | 'year'>): Promise<string> {
  const { name, yearId, starts, ends, progressDue = null, commentsDue, locks } = term
  const due = { progress_due: progressDue, comments_due: commentsDue }
  const row = { name, year_id: yearId, starts, ends, ...due, locks }
  return idOf(await db('term').insert(row).returning('id'))
}

/** What terms weigh in the year so far, under the ids of a year's own terms, by those that its rules came with. */
export async function carryTermWeights(
  db: Knex.Transaction,
  yearId: string,
  idOf: ReadonlyMap<string, string>,
): Promise<void> {
  const { settings } = (await db('school').where({ year_id: yearId }).first('settings')) ?? {}
  if (!settings) return
  const markRules = withTermsAs(settings.markRules, idOf)
  await db('school')
    .where({ year_id: yearId })
    .update({ settings: JSON.stringify({ ...settings, markRules }) })
}

/** Adds a class with its students, in the order given. @returns the class's id, and the students' by school number */
export async function addClass(
  db: Knex,
  { yearId, name }: { yearId: string; name: string },
  students: readonly Student[],
  categories: ClassRecord['categories'],
): Promise<{ classId: string; studentIds: Map<string, string> }> {
  const classId = await addRoom(db, { yearId, name, subject: null })
  const studentIds = await addStudents(db, classId, students)
  if (categories.length > 0) {
    await db('category').insert(
      categories.map(({ subject, key, name: categoryName, weight, isExam }) => ({
        class_id: classId,
        subject,
        key,
        name: categoryName,
        weight,
        is_exam: isExam,
      })),
    )
  }
  return { classId, studentIds }
}

/** Adds a class, or a group of a subject, with nobody in it. @returns its id */
export async function addRoom(
  db: Knex,
  { yearId, ...room }: { yearId: string; name: string; subject: string | null },
): Promise<string> {
  return idOf(
    await db('class_room')
      .insert({ year_id: yearId, ...room })
      .returning('id'),
  )
}

async function addStudents(db: Knex, classId: string, students: readonly Student[]): Promise<Map<string, string>> {
  if (students.length === 0) return new Map()
  const rows = await db('student')
    .insert(
      students.map((student) => ({
        ...studentRow({ ...student, pronouns: writePronouns(student.pronouns) }),
      })),
    )
    .returning<{ id: string; school_number: string }[]>(['id', 'school_number'])
  const ids = new Map(rows.map((row) => [row.school_number, row.id]))
  await db('enrolment').insert(
    students.map((student, position) => ({
      class_id: classId,
      student_id: ids.get(student.schoolNumber) ?? '',
      position,
      grade_level: student.gradeLevel,
    })),
  )
  return ids
}

function idOf(rows: { id: string }[]): string {
  const [row] = rows
  if (!row) throw new Error('The database gave no id.')
  return row.id
}

/** Adds somebody to the staff. */
export async function addPerson(
  db: Knex,
  person: Pick<PersonRow, 'sign_in' | 'password_hash' | 'given_name' | 'family_name' | 'role'>,
): Promise<void> {
  await db('person').insert(person)
}
