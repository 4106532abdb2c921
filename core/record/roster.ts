import type { Matchable } from '../people/matchStudent'
import type { Pronouns } from '../people/pronouns'

/** A student of the class. */
export interface Student extends Matchable {
  readonly pronouns: Pronouns
  readonly gradeLevel: string
}

/** A class's people. */
export interface Roster {
  readonly classRoom: {
    readonly id: string
    readonly name: string
    readonly teacher: string
    /** Of everybody who was ever in it; those of the students where it is left out. */
    readonly grades?: readonly string[] | undefined
  }
  /** Who settles and writes each subject here, as shown to colleagues and families; by the subject's key. */
  readonly teachers: Readonly<Record<string, string>>
  /** In the order of the class list. */
  readonly students: readonly Student[]
  /** Used names of the other students of this year, for the checks alone. */
  readonly namesInYear: readonly string[]
}

/**
 * Who teaches a subject in a class: its specialist, else the class's teacher.
 * @example teacherOf({ teachers: { music: 'Tobias Renn' }, classRoom }, 'music') // 'Tobias Renn'
 */
export function teacherOf({ teachers, classRoom }: Pick<Roster, 'teachers' | 'classRoom'>, subject: string): string {
  return teachers[subject] ?? classRoom.teacher
}
