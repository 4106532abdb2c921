import type { CheckKey } from './checkKeys'
import type { Category, PieceOfWork, Result } from '../marks/work'
import type { SettledMark } from '../marks/settledMark'
import type { DraftSentence } from '../narrative/because'
import type { Attendance, Observation } from './observations'
import type { Practice } from './practice'
import type { Answer, Question } from './questions'
import type { Term } from './term'

export interface SubjectWork extends PieceOfWork {
  readonly subject: string
}

export interface SubjectCategory extends Category {
  readonly subject: string
}

export interface StudentResult extends Result {
  readonly studentId: string
  readonly remark: string
}

export interface StudentMark extends SettledMark {
  readonly studentId: string
  readonly subject: string
}

export type LevelKind = 'skill' | 'habit'

/** The level of a skill or the score of a habit: a symbol of its scale, or of a special value. */
export interface StudentLevel {
  readonly studentId: string
  /** The skill's id, or the habit's key. */
  readonly about: string
  readonly symbol: string
  /** The symbol that the record proposed when it was settled, where it proposed one. */
  readonly proposed?: string | null
}

export const commentStatuses = ['in draft', 'finished'] as const
export type CommentStatus = (typeof commentStatuses)[number]

/** The text of one box of one student. */
export interface StudentComment {
  readonly studentId: string
  readonly box: string
  readonly text: string
  /** Where the composed sentences stand and why; empty for a text in the teacher's own words. */
  readonly sentences: readonly DraftSentence[]
  /** True when the teacher has changed it by hand. */
  readonly ownWords: boolean
  readonly status: CommentStatus
  /** Counts up with each change, so that two tabs cannot overwrite each other unseen. */
  readonly version: number
}

/** What "this is right" remembers: the check and the words it pointed at, wherever they stand. */
export interface AcceptedFinding {
  readonly studentId: string
  readonly box: string
  readonly check: CheckKey
  readonly words: string
}

/** What was settled and written in a term: all that a later one looks back at. */
export interface SettledTerm {
  readonly term: Term
  readonly marks: readonly StudentMark[]
  readonly levels: readonly StudentLevel[]
  readonly habitScores: readonly StudentLevel[]
  readonly comments: readonly StudentComment[]
}

/** One term of a class: what came in, what was settled and what was written. */
export interface TermRecord extends SettledTerm {
  readonly categories: readonly SubjectCategory[]
  readonly work: readonly SubjectWork[]
  readonly results: readonly StudentResult[]
  readonly attendance: readonly Attendance[]
  readonly observations: readonly Observation[]
  readonly questions: readonly Question[]
  readonly answers: readonly Answer[]
  readonly practice: readonly Practice[]
  /** Findings of which a teacher has said that this is right. */
  readonly accepted: readonly AcceptedFinding[]
  /**
   * What is kept from whoever reads the record: all of it or, of notes and results, what is of no subject that they
   * read. A comment may rest on it all the same. Nothing where it is left out.
   */
  readonly unseen?: readonly UnseenKind[] | undefined
}

export type UnseenKind = 'note' | 'habit' | 'attendance' | 'result'
