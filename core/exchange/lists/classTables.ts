import { resultText } from '../../marks/resultText'
import { writePronouns } from '../../people/pronouns'
import type { Practice } from '../../record/practice'
import type { Question } from '../../record/questions'
import type { RegisterDay } from '../../record/register'
import type { RecordIndex } from '../../record/recordIndex'
import type { Student } from '../../record/roster'
import { categoryWithWeight } from '../gradebook/categoryShare'

export type ClassCell = string | number | null

/** A part of what is known of a class, as a sheet. */
export interface ClassTable {
  readonly name: string
  readonly rows: readonly (readonly ClassCell[])[]
}

/**
 * All that came in about a class, as tables that Facunda reads again: the children; the results of each subject, with
 * what each piece of work is out of, its category with what it weighs, date and weight below its name, and the remarks,
 * a row for each; what lies behind them, question by question; marks, levels, habits, attendance, the register,
 * practice, notes. A part of which nothing is known is left out.
 * @param register the class's, by the day; it is no part of the record
 * @example classTables(index).map(({ name }) => name) // ['Students', 'Results Mathematics', 'Levels', …]
 */
export function classTables(index: RecordIndex, register: readonly RegisterDay[] = []): ClassTable[] {
  const { subjects } = index.record
  return [
    students(index),
    ...subjects.flatMap(({ key, name }) => [
      ...[results(index, key, name), remarks(index, key, name), questions(index, key, name)],
    ]),
    marks(index),
    levels(index),
    habits(index),
    attendance(index),
    registerTable(index, register),
    practice(index),
    notes(index),
  ].flatMap((table) => (table && table.rows.length > 1 ? [table] : []))
}

const who = ['Number', 'Given name', 'Family name'] as const
const whoIs = ({ schoolNumber, usedName, family }: Student): string[] => [schoolNumber, usedName, family]

function students({ record }: RecordIndex): ClassTable {
  return {
    name: 'Students',
    rows: [
      ['Number', 'Given name', 'Used name', 'Family name', 'Pronouns', 'Grade'],
      ...record.students.map(({ schoolNumber, legalGiven, usedName, family, pronouns, gradeLevel }) => [
        ...[schoolNumber, legalGiven, usedName === legalGiven ? '' : usedName, family],
        ...[writePronouns(pronouns), gradeLevel],
      ]),
    ],
  }
}

function results(index: RecordIndex, subject: string, name: string): ClassTable | null {
  const work = index.workOf(subject)
  if (work.length === 0) return null
  const nameOf = new Map(index.categoriesOf(subject).map((category) => [category.key, categoryWithWeight(category)]))
  const cell = (workId: string, studentId: string): ClassCell => {
    const result = index.resultOf(workId, studentId)
    if (!result) return null
    return result.state === 'scored' ? result.score : resultText(result)
  }
  const describing = (label: string, of: (piece: (typeof work)[number]) => ClassCell): ClassCell[] => [
    ...[label, null, null],
    ...work.map(of),
  ]
  return {
    name: `Results ${name}`,
    rows: [
      [...who, ...work.map((piece) => piece.title)],
      describing('Out of', (piece) => piece.outOf),
      describing('Category', (piece) => nameOf.get(piece.category) ?? piece.category),
      describing('Date', (piece) => piece.date),
      describing('Weight', (piece) => piece.weight),
      describing('Into the mark', (piece) => (piece.counts ? 'yes' : 'no')),
      ...index.record.students.map((student) => [...whoIs(student), ...work.map(({ id }) => cell(id, student.id))]),
    ],
  }
}

/** Results that somebody has remarked on: a cell of the other table has no room for words. */
function remarks(index: RecordIndex, subject: string, name: string): ClassTable {
  const rows = index.workOf(subject).flatMap((piece) =>
    index.record.students.flatMap((student) => {
      const result = index.resultOf(piece.id, student.id)
      return result?.remark ? [[...whoIs(student), piece.title, resultText(result), result.remark]] : []
    }),
  )
  return { name: `Remarks ${name}`, rows: [[...who, 'Work', 'Score', 'Remark'], ...rows] }
}

/** What was reached in each question, a row for each answer; read again at each piece of work. */
function questions(index: RecordIndex, subject: string, name: string): ClassTable {
  const { students: all } = index.record
  const rows = index.workOf(subject).flatMap((piece) => [
    ...all.flatMap((student) => {
      const scores = new Map(index.answersOf(piece.id, student.id).map(({ number, score }) => [number, score]))
      return index
        .questionsOf(piece.id)
        .filter(({ number }) => scores.has(number))
        .map(({ number, words, skill, outOf }): ClassCell[] => [
          ...[...whoIs(student), piece.title, number, words, skill, outOf, scores.get(number) ?? null],
        ])
    }),
    ...unanswered(index, piece.id).map(({ number, words, skill, outOf }): ClassCell[] => [
      ...[null, null, null, piece.title, number, words, skill, outOf, null],
    ]),
  ])
  return {
    name: `Questions ${name}`,
    rows: [[...who, 'Work', 'Question', 'Asked', 'Skill', 'Out of', 'Score'], ...rows],
  }
}

/** Questions that nobody has answered yet. */
function unanswered(index: RecordIndex, workId: string): Question[] {
  const answered = new Set(
    index.record.students.flatMap(({ id }) => index.answersOf(workId, id).map(({ number }) => number)),
  )
  return index.questionsOf(workId).filter(({ number }) => !answered.has(number))
}

function registerTable(index: RecordIndex, register: readonly RegisterDay[]): ClassTable {
  const rows = register.flatMap(({ studentId, day, presence }) => {
    const child = index.student(studentId)
    return child ? [[...whoIs(child), day, presence]] : []
  })
  return { name: 'Register', rows: [[...who, 'Date', 'Status'], ...rows] }
}

/** Each kind has columns of its own; a row fills those of its kind. */
function practice(index: RecordIndex): ClassTable {
  const cells = ({ program, kind, name, amount, beside }: Practice): ClassCell[] => {
    if (kind === 'minutes') return [program, name, amount, null, null, beside, null, null, null]
    if (kind === 'goal') return [program, null, null, name, amount, beside, null, null, null]
    return [program, null, null, null, null, null, name, beside, amount]
  }
  return {
    name: 'Practice',
    rows: [
      [...who, 'Program', 'Week', 'Minutes', 'Goal', 'Reached', 'Out of', 'Test', 'Before', 'After'],
      ...index.record.students.flatMap((student) =>
        index.practiceOf(student.id).map((each) => [...whoIs(student), ...cells(each)]),
      ),
    ],
  }
}

/** A table with a row for each child of whom there is something, and a column for each thing of which there is. */
function perChild<Thing>(
  index: RecordIndex,
  name: string,
  things: readonly Thing[],
  { title, cell }: { title: (thing: Thing) => string; cell: (student: Student, thing: Thing) => ClassCell },
): ClassTable {
  const all = index.record.students.map((student) => things.map((thing) => cell(student, thing)))
  const used = things.flatMap((_, at) => (all.some((cells) => cells[at] !== null) ? [at] : []))
  const lines = index.record.students.flatMap((student, nth) => {
    const cells = used.map((at) => all[nth]?.[at] ?? null)
    return cells.some((each) => each !== null) ? [[...whoIs(student), ...cells]] : []
  })
  return { name, rows: [[...who, ...used.flatMap((at) => (things[at] ? [title(things[at])] : []))], ...lines] }
}

function marks(index: RecordIndex): ClassTable {
  return perChild(index, 'Marks', index.record.subjects, {
    title: (subject) => subject.name,
    cell: (student, subject) => {
      const mark = index.markOf(student.id, subject.key)
      return mark ? (mark.percent ?? mark.special) : null
    },
  })
}

function levels(index: RecordIndex): ClassTable {
  return perChild(index, 'Levels', index.record.skills, {
    title: (skill) => skill.id,
    cell: (student, skill) => index.levelOf(student.id, 'skill', skill.id) ?? null,
  })
}

function habits(index: RecordIndex): ClassTable {
  return perChild(index, 'Habits', index.record.habits, {
    title: (habit) => habit.name,
    cell: (student, habit) => index.levelOf(student.id, 'habit', habit.key) ?? null,
  })
}

function attendance(index: RecordIndex): ClassTable {
  return perChild(index, 'Attendance', ['daysOpen', 'absences', 'lates'] as const, {
    title: (part) => ({ daysOpen: 'Days open', absences: 'Absent', lates: 'Late' })[part],
    cell: (student, part) => index.attendanceOf(student.id)?.[part] ?? null,
  })
}

function notes({ record, student }: RecordIndex): ClassTable {
  const about = new Map<string, string>([
    ...record.skills.map(({ id }): [string, string] => [`skill ${id}`, id]),
    ...record.habits.map(({ key, name }): [string, string] => [`habit ${key}`, name]),
  ])
  return {
    name: 'Notes',
    rows: [
      [...who, 'Date', 'About', 'Level', 'Note', 'May be told'],
      ...record.observations.flatMap((note) => {
        const child = student(note.studentId)
        if (!child) return []
        const matter = about.get(`${note.kind} ${note.about}`) ?? ''
        return [[...whoIs(child), note.date, matter, note.symbol, note.text, note.mayTell ? 'yes' : '']]
      }),
    ],
  }
}
