import type { ClassRecord } from '../../record/classRecord'
import { belongsIn } from '../../record/membership'
import type { SettledTerm, StudentLevel } from '../../record/termRecord'
import type { Student, TaughtGroup } from '../../record/roster'
import type { Term } from '../../record/term'
import { wholeSentence } from '../../narrative/keptSentence'
import { displayName } from '../../people/names'
import { readPronouns } from '../../people/pronouns'
import { readSpecial } from '../../scales/special'
import { setupOfGrade } from '../../school/setupOfGrade'
import { setupOfGroup } from '../../record/setupOfGroup'
import { setupInUse } from '../../school/keptSetup'
import type { FolderRow } from './recordFiles'
import type { SchoolFolder } from './schoolFolder'

/** Where somebody may look in a school folder. */
export interface ClassAndTerm {
  readonly room: string
  readonly term: string
}

/**
 * One class and term of a school folder, as the stages compute from it; undefined where the folder has no such class or
 * term. Within a folder the school number is a child's id, and classes and terms are known by what they are called.
 * @example classOfSchoolFolder(folder, { room: '5 Ash', term: 'Spring' })?.students // who belonged there then
 */
export function classOfSchoolFolder(folder: SchoolFolder, { room, term }: ClassAndTerm): ClassRecord | undefined {
  const { rows, setup, retired, year } = folder
  const terms = year.terms
    .map((each): Term => ({ ...each, id: each.name, yearId: year.name, year: year.name }))
    .toSorted((a, b) => (a.starts < b.starts ? -1 : 1))
  const now = terms.find(({ name }) => name === term)
  const { group } = rows.classes.find(({ name }) => name === room) ?? {}
  if (!now || group === undefined) return undefined
  const notTaken = notTakenIn(folder, now)
  const students = studentsOf(folder, room, now).map((student) => ({ ...student, notTaking: notTaken(student.id) }))
  const here = new Set(students.map(({ id }) => id))
  const work = rows.work.filter((each) => each.room === room && each.term === term)
  const workIds = new Set(work.map(({ id }) => id))
  const inUse = setupOfGrade(
    setupInUse(setup, retired),
    students.map(({ gradeLevel }) => gradeLevel),
  )
  return {
    ...(group === null ? inUse : setupOfGroup(inUse, group)),
    classRoom: { id: room, name: room, group, teacher: teachersOf(folder, room, now).get(null) ?? '' },
    groups: groupsOf(folder, now, here).filter(({ name }) => name !== room),
    teachers: Object.fromEntries(
      [...teachersOf(folder, room, now)].flatMap(([key, name]) => (key ? [[key, name]] : [])),
    ),
    students,
    namesInYear: rows.students.filter(({ number }) => !here.has(number)).map(({ used }) => used),
    ...settledIn(folder, now, here),
    earlier: terms
      .filter(({ starts }) => starts < now.starts)
      .reverse()
      .map((before) => settledIn(folder, before, here)),
    categories: rows.categories.filter((each) => each.room === room).map(({ room: _room, ...category }) => category),
    work,
    results: rows.results
      .filter((result) => workIds.has(result.work) && here.has(result.number))
      .map(({ work: workId, number, ...result }) => ({ ...result, workId, studentId: number })),
    attendance: ofTerm(rows.attendance, now, here),
    observations: ofTerm(rows.notes, now, here).map(({ day, kind, ...note }) => ({
      ...note,
      date: day,
      kind: kind || null,
      own: false,
    })),
    questions: rows.questions
      .filter((each) => workIds.has(each.work))
      .map(({ work: workId, ...question }) => ({ ...question, workId })),
    answers: rows.answers
      .filter((each) => workIds.has(each.work) && here.has(each.number))
      .map(({ work: workId, number: studentId, question: number, score }) => ({ workId, studentId, number, score })),
    practice: ofTerm(rows.practice, now, here),
    accepted: ofTerm(rows.accepted, now, here).map(({ found, ...each }) => ({ ...each, words: found })),
  }
}

function studentsOf({ rows }: SchoolFolder, room: string, term: Term): Student[] {
  const groupOf = new Map(rows.classes.map(({ name, group }) => [name, group]))
  const stays = new Map<string, FolderRow<'enrolments'>[]>()
  for (const stay of rows.enrolments.filter((each) => groupOf.get(each.room) === groupOf.get(room)))
    stays.set(stay.number, [...(stays.get(stay.number) ?? []), stay])
  const byNumber = new Map(rows.students.map((student) => [student.number, student]))
  return rows.enrolments
    .filter((stay) => stay.room === room && belongsIn(stay, stays.get(stay.number) ?? [], term))
    .toSorted((a, b) => a.place - b.place)
    .flatMap(({ number, grade }) => {
      const student = byNumber.get(number)
      if (!student) return []
      const { given, used, family, pronouns } = student
      const named = { legalGiven: given, usedName: used, family, pronouns: readPronouns(pronouns) ?? 'name only' }
      return [{ id: number, schoolNumber: number, gradeLevel: grade, ...named } as const]
    })
}

/**
 * The subjects that a child does not take in a term, as in the database (not_taking): what is said of the child
 * decides, else whether the subject is taken by the class, or by the groups in one of which the child is.
 */
function notTakenIn(folder: SchoolFolder, term: Term): (number: string) => string[] {
  const { rows, setup } = folder
  const said = new Map(rows.choices.map(({ number, subject, takes }) => [`${number} ${subject}`, takes]))
  const inGroup = new Set(
    rows.classes.flatMap(({ name, group }) =>
      group === null ? [] : studentsOf(folder, name, term).map(({ id }) => `${id} ${group}`),
    ),
  )
  return (number) =>
    setup.subjects.flatMap(({ key, takenBy }) => {
      const place = `${number} ${key}`
      return (said.get(place) ?? (takenBy !== 'groups' || inGroup.has(place))) ? [] : [key]
    })
}

/** Groups that some children are in, with who teaches them. */
function groupsOf(folder: SchoolFolder, term: Term, here: ReadonlySet<string>): TaughtGroup[] {
  return folder.rows.classes
    .flatMap(({ name, group: subject }) => {
      if (subject === null) return []
      const students = studentsOf(folder, name, term).flatMap(({ id }) => (here.has(id) ? [id] : []))
      const teacher = teachersOf(folder, name, term).get(subject) ?? ''
      return students.length > 0 ? [{ name, subject, teacher, students }] : []
    })
    .toSorted((a, b) => (a.name < b.name ? -1 : 1))
}

/** Who teaches in a class at the end of a term, by subject; null for the home class. Second readers teach nothing. */
function teachersOf({ rows }: SchoolFolder, room: string, { ends }: Term): Map<string | null, string> {
  const nameOf = new Map(rows.people.map((person) => [person.signIn, displayName(person)]))
  return new Map(
    rows.teaching
      .filter((each) => each.room === room && !each.secondReader)
      .filter(({ from, to }) => (from === null || from <= ends) && (to === null || to >= ends))
      .map(({ subject, person }) => [subject, nameOf.get(person) ?? '']),
  )
}

function settledIn({ rows }: SchoolFolder, term: Term, here: ReadonlySet<string>): SettledTerm {
  const levels = (kind: readonly FolderRow<'levels'>[]): StudentLevel[] => ofTerm(kind, term, here)
  return {
    term,
    marks: ofTerm(rows.marks, term, here).map(({ special, ...mark }) => ({
      ...mark,
      special: (special !== null && readSpecial(special)) || null,
    })),
    levels: levels(rows.levels),
    habitScores: levels(rows.habitScores),
    comments: ofTerm(rows.comments, term, here).map(({ sentences, ...comment }) => ({
      ...comment,
      sentences: sentences.map((sentence) => wholeSentence(sentence, { text: comment.text, termId: term.id })),
      version: 1,
    })),
  }
}

/** Rows of a term and of some children, with the child's id in place of both. */
function ofTerm<Row extends { readonly term: string; readonly number: string }>(
  rows: readonly Row[],
  term: Term,
  here: ReadonlySet<string>,
): (Omit<Row, 'term' | 'number'> & { studentId: string })[] {
  return rows
    .filter((row) => row.term === term.name && here.has(row.number))
    .map(({ term: _term, number, ...row }) => ({ ...row, studentId: number }))
}
