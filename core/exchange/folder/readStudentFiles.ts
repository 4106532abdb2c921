import { readPronouns } from '../../people/pronouns'
import type { Attendance } from '../../record/observations'
import type { Student } from '../../record/roster'
import type { ClassRecord } from '../../record/classRecord'
import type { Subject } from '../../school/schoolSetup'
import type { StudentLevel, StudentMark } from '../../record/termRecord'
import type { Scale } from '../../scales/scale'
import { readSpecial } from '../../scales/special'
import { keptSymbol, readSymbol } from '../../scales/symbol'
import type { FileRecord } from '../files/readRecords'
import type { FolderReader } from './folderReader'

/** students.csv, in the order of the class list. The school number is the id within a folder. */
export function readStudents(folder: FolderReader, file = 'students.csv'): Student[] {
  const rows = folder.records(file, ['number', 'given name', 'family name', 'pronouns']).map((record) => {
    const pronouns = readPronouns(record.get('pronouns'))
    if (!pronouns)
      folder.report(
        file,
        record.row,
        'pronouns',
        `“${record.get('pronouns')}” is no set of pronouns. ` +
          'Write she/her, he/him, they/them, name only, or all five cases.',
      )
    const number = record.get('number')
    if (number === '') folder.report(file, record.row, 'number', 'A student needs a school number.')
    if (record.get('given name') === '') folder.report(file, record.row, 'given name', 'A student needs a name.')
    const student: Student = {
      id: number,
      schoolNumber: number,
      legalGiven: record.get('given name'),
      usedName: record.get('used name') || record.get('given name'),
      family: record.get('family name'),
      pronouns: pronouns ?? 'name only',
      gradeLevel: record.get('grade level'),
    }
    return { row: record.row, key: number, value: student }
  })
  return folder.unique(file, 'number', rows)
}

/** attendance.csv, which may be absent. */
export function readAttendance(folder: FolderReader, students: readonly Student[]): Attendance[] {
  const file = 'attendance.csv'
  return folder.records(file, ['number', 'days open', 'absences', 'lates'], 'may be absent').flatMap((record) => {
    const student = studentOf(folder, file, record, students)
    const count = (column: string): number => folder.numberOrNull(file, record, column) ?? 0
    return student
      ? [{ studentId: student.id, daysOpen: count('days open'), absences: count('absences'), lates: count('lates') }]
      : []
  })
}

/** marks.csv: what was settled by hand; a percentage or a special value. May be absent. */
export function readMarks(
  folder: FolderReader,
  students: readonly Student[],
  subjects: readonly Subject[],
  file = 'marks.csv',
): StudentMark[] {
  const keys = subjects.map((subject) => subject.key)
  return folder.records(file, ['number', 'subject', 'mark'], 'may be absent').flatMap((record) => {
    const student = studentOf(folder, file, record, students)
    const subject = folder.oneOf(file, record, 'subject', keys)
    const special = readSpecial(record.get('mark')) ?? null
    const percent = special ? null : folder.numberOrNull(file, record, 'mark')
    return student && subject
      ? [{ studentId: student.id, subject, percent, special, reason: record.get('reason') || null }]
      : []
  })
}

/** levels.csv, or the term before's, which may be absent. */
export function readLevels(
  folder: FolderReader,
  { students, skills, subjects, scales }: Pick<ClassRecord, 'students' | 'skills' | 'subjects' | 'scales'>,
  file = 'levels.csv',
): StudentLevel[] {
  const ids = skills.map((skill) => skill.id)
  return folder.records(file, ['number', 'skill', 'level'], 'may be absent').flatMap((record) => {
    const student = studentOf(folder, file, record, students)
    const id = folder.oneOf(file, record, 'skill', ids)
    const skill = skills.find((each) => each.id === id)
    const scaleKey = subjects.find((subject) => subject.key === skill?.subject)?.skillScale
    const symbol = symbolOf(
      folder,
      { file, record, column: 'level' },
      scales.find((scale) => scale.key === scaleKey),
    )
    return student && skill && symbol ? [{ studentId: student.id, about: skill.id, symbol }] : []
  })
}

/** habit-scores.csv, or the term before's, which may be absent. */
export function readHabitScores(
  folder: FolderReader,
  { students, habits, scales }: Pick<ClassRecord, 'students' | 'habits' | 'scales'>,
  file = 'habit-scores.csv',
): StudentLevel[] {
  const keys = habits.map((habit) => habit.key)
  return folder.records(file, ['number', 'habit', 'score'], 'may be absent').flatMap((record) => {
    const student = studentOf(folder, file, record, students)
    const key = folder.oneOf(file, record, 'habit', keys)
    const habit = habits.find((each) => each.key === key)
    const symbol = symbolOf(
      folder,
      { file, record, column: 'score' },
      scales.find((scale) => scale.key === habit?.scale),
    )
    return student && habit && symbol ? [{ studentId: student.id, about: habit.key, symbol }] : []
  })
}

/** The student a row is about, by number; reported when there is none. */
export function studentOf(
  folder: FolderReader,
  file: string,
  record: FileRecord,
  students: readonly Student[],
): Student | undefined {
  const number = record.get('number')
  const student = students.find((each) => each.schoolNumber === number)
  if (!student) folder.report(file, record.row, 'number', `No student has the number “${number}”.`)
  return student
}

function symbolOf(
  folder: FolderReader,
  { file, record, column }: { file: string; record: FileRecord; column: string },
  scale: Scale | undefined,
): string | undefined {
  const written = record.get(column)
  const meaning = readSymbol(scale, written)
  const symbol = meaning && keptSymbol(meaning)
  if (symbol === undefined)
    folder.report(file, record.row, column, `“${written}” is no level of ${scale ? `“${scale.name}”` : 'the scale'}.`)
  return symbol
}
