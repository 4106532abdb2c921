import type { CheckSettings } from '../checks/checkSettings'
import type { AcceptedFinding } from '../checks/finding'
import type { CommentBox } from '../narrative/plan'
import type { DraftSentence } from '../narrative/because'
import type { Phrasebook } from '../narrative/phrase'
import type { PossessiveRule } from '../narrative/possessive'
import type { Category, PieceOfWork, Result } from '../marks/work'
import type { MarkRules } from '../marks/termMark'
import type { SettledMark } from '../marks/settledMark'
import type { Pronouns } from '../people/pronouns'
import type { Matchable } from '../people/matchStudent'
import type { Layout } from '../reports/layout'
import type { Scale } from '../scales/scale'

/** A student of the class. */
export interface Student extends Matchable {
  pronouns: Pronouns
  gradeLevel: string
}

export interface Term {
  id: string
  name: string
  year: string
  /** ISO dates. */
  starts: string
  ends: string
  commentsDue: string
  /** From this day on nothing of the term can be changed. */
  locks: string
}

export interface Subject {
  key: string
  name: string
  /** The name inside a sentence: "science", but "French". */
  inSentence: string
  markScale: string
  skillScale: string
}

/** A standard that the school rates, with the words a family reads. */
export interface Skill {
  id: string
  subject: string
  strand: string
  statement: string
  familyWords: string
  /** The same inside a sentence, as in "adding and subtracting large numbers"; "" when nobody has written it. */
  inSentence: string
  /** For the teacher's eyes: never on a report. */
  teacherOnly: boolean
}

export interface Habit {
  key: string
  name: string
  familyWords: string
  scale: string
}

export interface SubjectWork extends PieceOfWork {
  subject: string
}

export interface SubjectCategory extends Category {
  subject: string
}

export interface StudentResult extends Result {
  studentId: string
  remark: string
}

export interface StudentMark extends SettledMark {
  studentId: string
  subject: string
}

export type LevelKind = 'skill' | 'habit'

/** The level of a skill or the score of a habit: a symbol of its scale, or of a special value. */
export interface StudentLevel {
  studentId: string
  /** The skill's id, or the habit's key. */
  about: string
  symbol: string
}

export interface Attendance {
  studentId: string
  daysOpen: number
  absences: number
  lates: number
}

/** A dated note: something seen or said. For the teacher. */
export interface Observation {
  studentId: string
  date: string
  about: string
  text: string
}

export const commentStatuses = ['in draft', 'finished'] as const
export type CommentStatus = (typeof commentStatuses)[number]

/** The text of one box of one student. */
export interface StudentComment {
  studentId: string
  box: string
  text: string
  /** Where the composed sentences stand and why; empty for a text in the teacher's own words. */
  sentences: DraftSentence[]
  /** True when the teacher has changed it by hand. */
  ownWords: boolean
  status: CommentStatus
  /** Counts up with each change, so that two tabs cannot overwrite each other unseen. */
  version: number
}

export interface School {
  name: string
  place: string
  markRules: MarkRules
  possessives: PossessiveRule
  /** What the checks look for. */
  checks: CheckSettings
}

/** What the school has set up: the same for every class, and kept by its version. */
export interface SchoolSetup {
  readonly school: School
  readonly scales: readonly Scale[]
  readonly subjects: readonly Subject[]
  readonly skills: readonly Skill[]
  readonly habits: readonly Habit[]
  readonly boxes: readonly CommentBox[]
  readonly phrasebook: Phrasebook
  readonly layout: Layout
}

/** What was settled and written in a term, as far as a later one looks back at it. */
export interface TermBefore {
  readonly term: Term
  readonly marks: readonly StudentMark[]
  readonly levels: readonly StudentLevel[]
  readonly habitScores: readonly StudentLevel[]
  readonly comments: readonly StudentComment[]
}

/** One class in one term: its people, what came in, what was settled and what was written. */
export interface TermRecord {
  readonly classRoom: { readonly id: string; readonly name: string; readonly teacher: string }
  readonly term: Term
  readonly before: TermBefore | null
  /** Who settles and writes each subject here, as shown to colleagues and families; by the subject's key. */
  readonly teachers: Readonly<Record<string, string>>
  /** In the order of the class list. */
  readonly students: readonly Student[]
  readonly categories: readonly SubjectCategory[]
  readonly work: readonly SubjectWork[]
  readonly results: readonly StudentResult[]
  readonly marks: readonly StudentMark[]
  readonly levels: readonly StudentLevel[]
  readonly habitScores: readonly StudentLevel[]
  readonly attendance: readonly Attendance[]
  readonly observations: readonly Observation[]
  readonly comments: readonly StudentComment[]
  /** Used names of the other students of this year, for the checks alone. */
  readonly namesInYear: readonly string[]
  /** Findings of which a teacher has said that this is right. */
  readonly accepted: readonly AcceptedFinding[]
}

/**
 * All that is known about one class in one term: what every stage computes from, in the browser, on the server and in
 * the batch command alike.
 */
export interface ClassRecord extends SchoolSetup, TermRecord {}

/** The whole record, from the parts that are fetched and kept apart. */
export function classRecordOf(setup: SchoolSetup, term: TermRecord): ClassRecord {
  return { ...setup, ...term }
}

/** Who teaches a subject in the record's class: its specialist, else the class's teacher. */
export function teacherOf(
  { teachers, classRoom }: Pick<TermRecord, 'teachers' | 'classRoom'>,
  subject: string,
): string {
  return teachers[subject] ?? classRoom.teacher
}
