import type { Attendance, Observation, WrittenInNote } from '../../record/observations'
import type { Practice } from '../../record/practice'
import type { Presence, RegisterDay } from '../../record/register'
import type { LevelKind, StudentMark } from '../../record/termRecord'

/** A mark, a level, days or a note that a list brings, each as it shall be. */
export interface ClassCells {
  readonly marks: readonly {
    studentId: string
    subject: string
    mark: Pick<StudentMark, 'percent' | 'special' | 'reason'>
  }[]
  readonly levels: readonly { studentId: string; kind: LevelKind; about: string; symbol: string }[]
  readonly attendance: readonly Attendance[]
  readonly practice: readonly Practice[]
  readonly register: readonly RegisterDay[]
  readonly notes: readonly Pick<Observation, 'studentId' | WrittenInNote>[]
}

/** A thing that a row says: where it stands, what stood there, what shall, and how it is told. */
export interface CellReading {
  readonly place: string
  readonly name: string
  readonly was: unknown
  readonly now: unknown
  readonly put: (cells: { [Part in keyof ClassCells]: ClassCells[Part][number][] }) => void
  readonly line: string
}

export interface ClassListContext {
  /** Whether whoever brings the list may change what needs this ("general", "notes", "subject sums"). */
  readonly may: (need: string) => boolean
  readonly today: string
  /** What a program is called where the list does not say. */
  readonly program: string
  /** The register as it stands; undefined for a day that is not kept. */
  readonly presenceOn: (studentId: string, day: string) => Presence | undefined
}
