import type { Tier } from '../scales/tier'
import type { FactName } from './notation'
import type { Move, PartKind } from './phrase'

export const becauseKinds = ['skill level', 'mark', 'habit', 'result', 'trend', 'attendance', 'always'] as const

/** A fact that chose a sentence, in words that a teacher recognises, with where it came from. */
export interface Because {
  kind: (typeof becauseKinds)[number]
  /** What it is a fact of: a skill's id, a habit's key, "mark", the title of a piece of work. */
  about: string
  /** "Number: 3 (secure)". */
  text: string
  /**
   * The tier of what it is a part of (a strand, a habit, the mark; of an uneven strand its own), where it chose by
   * level; null where it is told word for word.
   */
  tier: Tier | null
  termId: string
}

/** Where a strand, habit or mark stood the term before, and where it went. */
export interface Trend {
  move: Move
  /** Tiers climbed; below 0 for a fall. */
  by: number
  /** "from 2 to 3 since the autumn term"; null when it did not move. */
  text: string | null
  because: Because
}

/** What the record says of one strand, habit or the whole subject, on the common ladder. */
export interface StandingFact {
  kind: 'strand' | 'habit' | 'mark'
  /** What tells it from others of its kind: the strand, the habit's key, "mark". */
  about: string
  /** What people call it. */
  name: string
  /** Where it stands; an uneven strand counts as its weakest skill does. */
  tier: Tier
  /**
   * True when a strand's skills lie so far apart that no one level is true of it: it is told by its strongest and
   * weakest.
   */
  uneven: boolean
  because: Because[]
  /** Null when nothing is known of the term before. */
  trend: Trend | null
  /**
   * The best and the least of a strand's skills in words that fit inside a sentence; null when there are not two that
   * differ.
   */
  strongestSkill: SayableFact | null
  weakestSkill: SayableFact | null
}

/** A fact that can stand inside a sentence, with what it rests on. */
export interface SayableFact {
  text: string
  because: Because | null
}

/** Everything a comment may speak of, for one student, box and term. */
export interface NarrativeFacts {
  termId: string
  termName: string
  /** The subject's settled mark, as a standing; null when none is settled. */
  mark: StandingFact | null
  /** Habits and strands; two may share a name, so they are told apart by their kind. */
  standings: StandingFact[]
  /** Facts about the student that hold for the whole box; what is not known is not in it. */
  sayable: Partial<Record<FactName, SayableFact>>
}

/** A sentence of a draft: its place in the text as it stands now, how it was composed, and why it is there. */
export interface DraftSentence {
  /** Range in the text, in UTF-16 units, end exclusive. Empty where the teacher has taken the sentence out. */
  start: number
  end: number
  /** The words as they were composed. */
  composed: string
  /** The parts of the plan that it says, as in "outcome Number". */
  parts: string[]
  phraseIds: string[]
  because: Because[]
}

/** A part of the plan about which nothing is said, and why. */
export interface LeftOut {
  part: PartKind
  about: string
  why: 'nothing is settled' | 'there is no phrase for it' | 'it does not apply' | 'there is no room'
}

/** A comment as composed. */
export interface Draft {
  text: string
  sentences: DraftSentence[]
  leftOut: LeftOut[]
}
