import type { Matchable } from '../people/matchStudent'
import type { Pronouns } from '../people/pronouns'

/** A student of the class. */
export interface Student extends Matchable {
  readonly pronouns: Pronouns
  readonly gradeLevel: string
  /** The fingerprint of the photo, where there is one. */
  readonly photo?: string | null
  /** The keys of the subjects that the child does not take (takers.ts); none where it is left out. */
  readonly notTaking?: readonly string[] | undefined
}

/** A class's people. */
export interface Roster {
  readonly classRoom: {
    readonly id: string
    readonly name: string
    readonly teacher: string
    /** Of everybody who was ever in it; those of the students where it is left out. */
    readonly grades?: readonly string[] | undefined
    /** The one subject of a group; a home class has none. */
    readonly group?: string | null | undefined
  }
  /** Who settles and writes each subject here, as shown to colleagues and families; by the subject's key. */
  readonly teachers: Readonly<Record<string, string>>
  /** Groups that children of a home class are taught in. */
  readonly groups?: readonly TaughtGroup[] | undefined
  /** In the order of the class list. */
  readonly students: readonly Student[]
  /** Used names of the other students of this year, for the checks alone. */
  readonly namesInYear: readonly string[]
}

/** A group of a subject, with the ids of the children of the class in view who are in it. */
export interface TaughtGroup {
  readonly name: string
  readonly subject: string
  readonly teacher: string
  readonly students: readonly string[]
}

/**
 * Who teaches a subject in a class: its specialist, else the class's teacher; for a child in a group, who teaches that.
 * @example teacherOf({ teachers: { music: 'Tobias Renn' }, classRoom }, 'music') // 'Tobias Renn'
 */
export function teacherOf(
  { teachers, classRoom, groups = [] }: Pick<Roster, 'teachers' | 'classRoom' | 'groups'>,
  subject: string,
  studentId?: string,
): string {
  const group = groups.find(
    (each) => each.subject === subject && studentId !== undefined && each.students.includes(studentId),
  )
  return group?.teacher || (teachers[subject] ?? classRoom.teacher)
}
