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
  /** Who settles and writes it, as shown to colleagues and families. */
  teacher: string
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

/** A term that is over, as far as this term's work looks back at it. */
export interface TermBefore {
  term: Term
  marks: StudentMark[]
  levels: StudentLevel[]
  comments: StudentComment[]
}

export interface School {
  name: string
  place: string
  markRules: MarkRules
  possessives: PossessiveRule
  /** What the checks look for. */
  checks: CheckSettings
}

/**
 * All that is known about one class in one term: what every stage computes from, in the browser, on the server and in
 * the batch command alike.
 */
export interface ClassRecord {
  school: School
  classRoom: { id: string; name: string; teacher: string }
  term: Term
  before: TermBefore | null
  scales: Scale[]
  subjects: Subject[]
  skills: Skill[]
  habits: Habit[]
  /** In the order of the class list. */
  students: Student[]
  categories: SubjectCategory[]
  work: SubjectWork[]
  results: StudentResult[]
  marks: StudentMark[]
  levels: StudentLevel[]
  habitScores: StudentLevel[]
  attendance: Attendance[]
  observations: Observation[]
  boxes: CommentBox[]
  comments: StudentComment[]
  phrasebook: Phrasebook
  /** Used names of the other students of this year, for the checks alone. */
  namesInYear: string[]
  /** Findings of which a teacher has said that this is right. */
  accepted: AcceptedFinding[]
  layout: Layout
}
