import type { NarrativeFacts } from './because'
import type { CommentBox } from './plan'
import type { Subject } from './say'

/** One comment to be written. */
export interface DraftRequest {
  /** What tells this student from classmates, so that like facts are worded differently; always the same for one. */
  readonly seed: string
  readonly subject: Subject
  /** The student's grade as a number, or null where it is none. */
  readonly grade: number | null
  readonly box: CommentBox
  readonly facts: NarrativeFacts
  /** Phrases this student had in this box last term: not to be said again. */
  readonly avoid?: ReadonlySet<string>
  /** Phrases in this student's other boxes, with how often: no sentence stands twice in one report. */
  readonly elsewhere?: ReadonlyMap<string, number>
  /** Phrases of the draft that stands; they are kept where they still hold. */
  readonly standing?: ReadonlySet<string>
  /** What a teacher who asks for another wording has seen and wants. */
  readonly wish?: Wish
}

export interface Wish {
  /** How often each phrase has been shown already. */
  readonly shown?: ReadonlyMap<string, number>
  /** By part key: the phrases to which a part is held. */
  readonly held?: ReadonlyMap<string, ReadonlySet<string>>
  /** The text must have at least and at most so many characters; the box's own limit always holds. */
  readonly atLeast?: number
  readonly atMost?: number
}
