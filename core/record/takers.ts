import type { RecordIndex } from './recordIndex'
import type { Student } from './roster'
import type { Subject } from '../school/schoolSetup'

/**
 * Whether a child takes a subject, so that something of it is owed. What belongs to no subject (habits, the general
 * comment) is everybody's. Who takes what is decided in the database (not_taking), and travels with the child.
 * @example takes({ notTaking: ['music'] }, 'music') // false
 */
export function takes({ notTaking }: Pick<Student, 'notTaking'>, subject: string | null): boolean {
  return subject === null || !notTaking?.includes(subject)
}

/**
 * Those of a class who take a subject, in the order of the class list; the very same list where all do.
 * @param subject its key; null for what belongs to no subject
 */
export function takersOf(students: readonly Student[], subject: string | null): readonly Student[] {
  return students.every((student) => takes(student, subject))
    ? students
    : students.filter((student) => takes(student, subject))
}

/** The subjects that a child takes, in the school's order; all for whom the record does not know. */
export function subjectsTaken(index: RecordIndex, studentId: string): readonly Subject[] {
  const student = index.student(studentId)
  const { subjects } = index.record
  return student?.notTaking?.length ? subjects.filter(({ key }) => takes(student, key)) : subjects
}
