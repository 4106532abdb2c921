import type { Knex } from 'knex'
import type { DraftSentence } from '../../core/narrative/because'
import type { DescribingWords, Phrase } from '../../core/narrative/phrase'
import { readPlan } from '../../core/narrative/plan'
import { displayName } from '../../core/people/names'
import { readPronouns } from '../../core/people/pronouns'
import type {
  ClassRecord,
  CommentStatus,
  School,
  Student,
  StudentComment,
  StudentMark,
  Subject,
  Term,
  TermBefore,
} from '../../core/record/classRecord'
import type { Layout } from '../../core/reports/layout'
import type { ResultState } from '../../core/marks/work'
import type { Scale } from '../../core/scales/scale'
import type { SpecialValue } from '../../core/scales/special'
import type { Tier } from '../../core/scales/tier'
import { Refusal } from '../access/refusal'

/**
 * Reads one class and term whole. A fixed number of queries, whatever the size of the class.
 * @param mayRead which subjects the reader may see; the others are not in the record at all
 * @param personId whose own phrases are in the phrasebook besides the school's; null: the school's alone
 * @throws Refusal when there is no such class or term
 */
export async function loadClassRecord(
  db: Knex,
  classId: string,
  termId: string,
  mayRead: (subject: string) => boolean,
  personId: string | null = null,
): Promise<ClassRecord> {
  const [room, term, schoolRow] = await Promise.all([
    db<{ id: string; name: string }>('class_room').where({ id: classId }).first(),
    loadTerm(db, termId),
    db<{ settings: School }>('school').first(),
  ])
  if (!room || !schoolRow) throw new Refusal('not found', 'There is no such class.')
  const subjects = (await loadSubjects(db, classId)).filter((subject) => mayRead(subject.key))
  const keys = subjects.map((subject) => subject.key)
  const students = await loadStudents(db, classId)
  const ids = students.map((student) => student.id)
  const [
    scales,
    skills,
    habits,
    boxes,
    phrasebook,
    layout,
    gradebook,
    settled,
    surroundings,
    homeTeacher,
    before,
    namesInYear,
    accepted,
  ] = await Promise.all([
    db<{ definition: Scale }>('scale').then((rows) => rows.map((row) => row.definition)),
    loadSkills(db, keys),
    db('habit').orderBy('position').select('key', 'name', 'family_words as familyWords', 'scale'),
    loadBoxes(db, mayRead),
    loadPhrasebook(db, personId),
    db<{ definition: Layout }>('layout').first(),
    loadGradebook(db, classId, termId, keys),
    loadSettled(db, ids, termId, keys),
    loadSurroundings(db, ids, termId),
    loadHomeTeacher(db, classId),
    loadBefore(db, ids, term, keys),
    loadNamesInYear(db, students),
    loadAccepted(db, ids, termId),
  ])
  if (!layout) throw new Refusal('not found', 'The school has no report layout.')
  const boxKeys = new Set(boxes.map((box) => box.key))
  return {
    school: schoolRow.settings,
    classRoom: { id: room.id, name: room.name, teacher: homeTeacher },
    term,
    before,
    scales,
    subjects,
    skills,
    habits,
    students,
    boxes,
    phrasebook,
    layout: layout.definition,
    ...gradebook,
    ...settled,
    ...surroundings,
    namesInYear,
    accepted,
    comments: settled.comments.filter((comment) => boxKeys.has(comment.box)),
  }
}

/** @throws Refusal when there is no such term */
export async function loadTerm(db: Knex, termId: string): Promise<Term> {
  const term = await termQuery(db).where({ id: termId }).first<Term | undefined>()
  if (!term) throw new Refusal('not found', 'There is no such term.')
  return term
}

function termQuery(db: Knex): Knex.QueryBuilder {
  return db('term').select('id', 'name', 'year', 'starts', 'ends', 'comments_due as commentsDue', 'locks')
}

/** All terms, oldest first. */
export async function loadTerms(db: Knex): Promise<Term[]> {
  return termQuery(db).orderBy('starts') as unknown as Promise<Term[]>
}

async function loadHomeTeacher(db: Knex, classId: string): Promise<string> {
  const person = await db('teaching')
    .join('person', 'person.id', 'teaching.person_id')
    .where({ class_id: classId })
    .whereNull('subject')
    .first<{ given_name: string; family_name: string } | undefined>()
  return person ? displayName({ given: person.given_name, family: person.family_name }) : ''
}

async function loadSubjects(db: Knex, classId: string): Promise<Subject[]> {
  const [rows, specialists, home] = await Promise.all([
    db('subject')
      .orderBy('position')
      .select('key', 'name', 'in_sentence as inSentence', 'mark_scale as markScale', 'skill_scale as skillScale'),
    db('teaching')
      .join('person', 'person.id', 'teaching.person_id')
      .where({ class_id: classId })
      .whereNotNull('subject')
      .select('subject', 'given_name', 'family_name'),
    loadHomeTeacher(db, classId),
  ])
  const teachers = new Map<string, string>(
    specialists.map((row) => [row.subject, displayName({ given: row.given_name, family: row.family_name })]),
  )
  return rows.map((row) => ({ ...row, teacher: teachers.get(row.key) ?? home }))
}

async function loadStudents(db: Knex, classId: string): Promise<Student[]> {
  const rows = await db('enrolment')
    .join('student', 'student.id', 'enrolment.student_id')
    .where({ class_id: classId })
    .orderBy('position')
    .select(
      'student.id',
      'school_number as schoolNumber',
      'legal_given as legalGiven',
      'used_name as usedName',
      'family',
      'pronouns',
      'grade_level as gradeLevel',
    )
  return rows.map((row) => ({ ...row, pronouns: readPronouns(row.pronouns) ?? 'name only' }))
}

async function loadSkills(db: Knex, subjects: string[]): Promise<ClassRecord['skills']> {
  return db('skill')
    .whereIn('subject', subjects)
    .orderBy('position')
    .select(
      'id',
      'subject',
      'strand',
      'statement',
      'family_words as familyWords',
      'in_sentence as inSentence',
      'teacher_only as teacherOnly',
    ) as unknown as Promise<ClassRecord['skills']>
}

async function loadBoxes(db: Knex, mayRead: (subject: string) => boolean): Promise<ClassRecord['boxes']> {
  const rows = await db<{
    key: string
    name: string
    subject: string | null
    character_limit: number
    tone: string
    plan: string
  }>('comment_box').orderBy('position')
  return rows
    .filter((row) => row.subject === null || mayRead(row.subject))
    .map((row) => ({
      key: row.key,
      name: row.name,
      subject: row.subject,
      limit: row.character_limit,
      tone: row.tone,
      plan: readPlan(row.plan),
    }))
}

/** The school's phrases and this person's own, in the order of the phrasebook. */
export async function loadPhrasebook(db: Knex, personId: string | null): Promise<ClassRecord['phrasebook']> {
  const rows = await db<PhraseRow>('phrase').whereNull('owner').orWhere('owner', personId).orderBy(['position', 'id'])
  const describing: DescribingWords = { starting: [], growing: [], sound: [], strong: [], top: [] }
  for (const row of await db<{ tier: Tier; word: string }>('describing_word').orderBy('position'))
    describing[row.tier].push(row.word)
  return { phrases: rows.map(phraseOf), describing }
}

/** A phrase as its table keeps it. */
export type PhraseRow = Omit<Phrase, 'grades'> & {
  grade_from: number | null
  grade_to: number | null
  position: number
}

/** A row of the table as a phrase. */
export function phraseOf({ grade_from: from, grade_to: to, position: _position, ...row }: PhraseRow): Phrase {
  return { ...row, grades: from === null || to === null ? null : { from, to } }
}

/** The used names of the students of the same grades in other classes. */
async function loadNamesInYear(db: Knex, students: readonly Student[]): Promise<string[]> {
  const rows = (await db('student')
    .distinct('used_name')
    .whereIn('grade_level', [...new Set(students.map((student) => student.gradeLevel))])
    .whereNotIn(
      'id',
      students.map((student) => student.id),
    )
    .orderBy('used_name')) as { used_name: string }[]
  return rows.map((row) => row.used_name)
}

async function loadAccepted(db: Knex, students: string[], termId: string): Promise<ClassRecord['accepted']> {
  return db('accepted_finding')
    .where({ term_id: termId })
    .whereIn('student_id', students)
    .select('student_id as studentId', 'box', 'check_name as check', 'words') as unknown as Promise<
    ClassRecord['accepted']
  >
}

async function loadGradebook(
  db: Knex,
  classId: string,
  termId: string,
  subjects: string[],
): Promise<Pick<ClassRecord, 'categories' | 'work' | 'results'>> {
  const here = { class_id: classId, term_id: termId }
  const [categories, work, results] = await Promise.all([
    db('category')
      .where({ class_id: classId })
      .whereIn('subject', subjects)
      .orderBy(['subject', 'key'])
      .select('subject', 'key', 'name', 'weight'),
    db('work')
      .where(here)
      .whereIn('subject', subjects)
      .orderBy(['done_on', 'title'])
      .select('id', 'subject', 'title', 'category', 'done_on as date', 'out_of as outOf', 'weight', 'counts'),
    db('result')
      .join('work', 'work.id', 'result.work_id')
      .where(here)
      .whereIn('work.subject', subjects)
      .select<{ workId: string; studentId: string; state: ResultState; score: number | null; remark: string }[]>(
        'work_id as workId',
        'student_id as studentId',
        'state',
        'score',
        'remark',
      ),
  ])
  return { categories, work, results }
}

async function loadSettled(
  db: Knex,
  students: string[],
  termId: string,
  subjects: string[],
): Promise<Pick<ClassRecord, 'marks' | 'levels' | 'habitScores' | 'comments'>> {
  const [marks, levels, comments] = await Promise.all([
    loadMarks(db, students, termId, subjects),
    db<{ student_id: string; about: string; term_id: string; kind: 'skill' | 'habit'; symbol: string }>('settled_level')
      .where({ term_id: termId })
      .whereIn('student_id', students),
    loadComments(db, students, termId),
  ])
  const skills = new Set(
    (await db<{ id: string; subject: string }>('skill').whereIn('subject', subjects)).map((skill) => skill.id),
  )
  const toLevel = (row: (typeof levels)[number]): ClassRecord['levels'][number] => ({
    studentId: row.student_id,
    about: row.about,
    symbol: row.symbol,
  })
  return {
    marks,
    comments,
    levels: levels.filter((row) => row.kind === 'skill' && skills.has(row.about)).map(toLevel),
    habitScores: levels.filter((row) => row.kind === 'habit').map(toLevel),
  }
}

async function loadMarks(db: Knex, students: string[], termId: string, subjects: string[]): Promise<StudentMark[]> {
  const rows = await db<{
    student_id: string
    subject: string
    term_id: string
    percent: number | null
    special: SpecialValue | null
    reason: string | null
  }>('settled_mark')
    .where({ term_id: termId })
    .whereIn('student_id', students)
    .whereIn('subject', subjects)
  return rows.map((row) => ({
    studentId: row.student_id,
    subject: row.subject,
    percent: row.percent,
    special: row.special,
    reason: row.reason,
  }))
}

async function loadComments(db: Knex, students: string[], termId: string): Promise<StudentComment[]> {
  return (await db<CommentRow>('comment').where({ term_id: termId }).whereIn('student_id', students)).map(toComment)
}

/** A comment as its table keeps it. */
export interface CommentRow {
  student_id: string
  box: string
  term_id: string
  text: string
  sentences: DraftSentence[]
  own_words: boolean
  status: CommentStatus
  version: number
}

/** A row of the table as a comment. */
export function toComment(row: CommentRow): StudentComment {
  const sentences = row.sentences.map((sentence) => withComposed(sentence, row.text))
  return {
    studentId: row.student_id,
    box: row.box,
    text: row.text,
    sentences,
    ownWords: row.own_words,
    status: row.status,
    version: row.version,
  }
}

/** Sentences kept before they remembered their composed words are taken to stand as they were composed. */
function withComposed(
  sentence: Partial<DraftSentence> & Pick<DraftSentence, 'start' | 'end' | 'phraseIds' | 'because'>,
  text: string,
): DraftSentence {
  const because = sentence.because.map((each) => ({ ...each, about: each.about ?? '', tier: each.tier ?? null }))
  return { composed: text.slice(sentence.start, sentence.end), parts: [], ...sentence, because }
}

async function loadSurroundings(
  db: Knex,
  students: string[],
  termId: string,
): Promise<Pick<ClassRecord, 'attendance' | 'observations'>> {
  const [attendance, observations] = await Promise.all([
    db('attendance')
      .where({ term_id: termId })
      .whereIn('student_id', students)
      .select('student_id as studentId', 'days_open as daysOpen', 'absences', 'lates'),
    db('observation')
      .where({ term_id: termId })
      .whereIn('student_id', students)
      .orderBy('day')
      .select('student_id as studentId', 'day as date', 'about', 'text'),
  ])
  return { attendance, observations }
}

/** The term that ended last before this one began, with what was settled and written in it. */
async function loadBefore(db: Knex, students: string[], term: Term, subjects: string[]): Promise<TermBefore | null> {
  const last = (await loadTerms(db)).findLast((each) => each.starts < term.starts)
  if (!last) return null
  const settled = await loadSettled(db, students, last.id, subjects)
  return {
    term: last,
    marks: settled.marks,
    levels: [...settled.levels, ...settled.habitScores],
    comments: settled.comments,
  }
}
