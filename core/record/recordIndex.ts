import type { Scale } from '../scales/scale'
import type { Attendance, ClassRecord, Student, StudentComment, StudentMark, StudentResult, SubjectCategory, SubjectWork } from './classRecord'

/** The record by what it is looked up by. Made once per record in O(size); each look-up is O(1). */
export interface RecordIndex {
  record: ClassRecord
  student: (id: string) => Student | undefined
  scale: (key: string) => Scale | undefined
  /** Oldest first. */
  workOf: (subject: string) => readonly SubjectWork[]
  categoriesOf: (subject: string) => readonly SubjectCategory[]
  resultsOf: (studentId: string, subject: string) => readonly StudentResult[]
  markOf: (studentId: string, subject: string) => StudentMark | undefined
  /** The symbol settled for a skill or habit. */
  levelOf: (studentId: string, about: string) => string | undefined
  commentOf: (studentId: string, box: string) => StudentComment | undefined
  attendanceOf: (studentId: string) => Attendance | undefined
  /** What was settled and written the term before. */
  markBefore: (studentId: string, subject: string) => StudentMark | undefined
  levelBefore: (studentId: string, about: string) => string | undefined
  commentBefore: (studentId: string, box: string) => StudentComment | undefined
}

/** Indexes a record. Nothing is copied: the index reads the record it was made from. */
export function indexRecord(record: ClassRecord): RecordIndex {
  const students = new Map(record.students.map((student) => [student.id, student]))
  const scales = new Map(record.scales.map((scale) => [scale.key, scale]))
  const work = grouped([...record.work].sort((a, b) => (a.date ?? '').localeCompare(b.date ?? '')), (each) => each.subject)
  const subjectOfWork = new Map(record.work.map((each) => [each.id, each.subject]))
  const categories = grouped(record.categories, (each) => each.subject)
  const results = grouped(record.results, (each) => pair(each.studentId, subjectOfWork.get(each.workId) ?? ''))
  const marks = new Map(record.marks.map((each) => [pair(each.studentId, each.subject), each]))
  const levels = new Map([...record.levels, ...record.habitScores].map((each) => [pair(each.studentId, each.about), each.symbol]))
  const comments = new Map(record.comments.map((each) => [pair(each.studentId, each.box), each]))
  const attendance = new Map(record.attendance.map((each) => [each.studentId, each]))
  const before = record.before
  const marksBefore = new Map(before?.marks.map((each) => [pair(each.studentId, each.subject), each]))
  const levelsBefore = new Map(before?.levels.map((each) => [pair(each.studentId, each.about), each.symbol]))
  const commentsBefore = new Map(before?.comments.map((each) => [pair(each.studentId, each.box), each]))
  return {
    record,
    student: (id) => students.get(id),
    scale: (key) => scales.get(key),
    workOf: (subject) => work.get(subject) ?? [],
    categoriesOf: (subject) => categories.get(subject) ?? [],
    resultsOf: (studentId, subject) => results.get(pair(studentId, subject)) ?? [],
    markOf: (studentId, subject) => marks.get(pair(studentId, subject)),
    levelOf: (studentId, about) => levels.get(pair(studentId, about)),
    commentOf: (studentId, box) => comments.get(pair(studentId, box)),
    attendanceOf: (studentId) => attendance.get(studentId),
    markBefore: (studentId, subject) => marksBefore.get(pair(studentId, subject)),
    levelBefore: (studentId, about) => levelsBefore.get(pair(studentId, about)),
    commentBefore: (studentId, box) => commentsBefore.get(pair(studentId, box)),
  }
}

function pair(a: string, b: string): string {
  return `${a}\u0000${b}`
}

function grouped<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    const key = keyOf(item)
    const group = groups.get(key)
    if (group) group.push(item)
    else groups.set(key, [item])
  }
  return groups
}
