import type { Tier } from '../scales/tier'

/** A fact that chose a sentence, in words that a teacher recognises, with where it came from. */
export interface Because {
  kind: 'skill level' | 'mark' | 'habit' | 'result' | 'always'
  /** "Number: 3 (secure)". */
  text: string
  termId: string
}

/** What the record says of one strand, habit or the whole subject, on the common ladder. */
export interface StandingFact {
  about: string
  tier: Tier
  because: Because[]
}

/** Everything a comment may speak of, for one student, box and term. */
export interface NarrativeFacts {
  termId: string
  termName: string
  subjectName: string | null
  /** The subject's settled mark, as a standing; null when none is settled. */
  mark: StandingFact | null
  /** By strand name, and by habit name. */
  standings: Record<string, StandingFact>
  /** The title of the best result of the term, where there is one worth naming. */
  bestWork: { title: string; because: Because } | null
}

/** A sentence of a draft: its place in the text, the phrases it came from, and why it is there. */
export interface DraftSentence {
  /** Range in the text, in UTF-16 units, end exclusive. */
  start: number
  end: number
  phraseIds: string[]
  because: Because[]
}

/** A comment as composed. */
export interface Draft {
  text: string
  sentences: DraftSentence[]
}
