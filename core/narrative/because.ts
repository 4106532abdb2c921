import { z } from 'zod'
import type { Level } from '../scales/scale'
import { tiers, type Tier } from '../scales/tier'
import { text } from '../text/textSchema'
import type { FactName } from './notation'
import type { Move, PartKind } from './phrase'
import type { SkillWords } from './skillWords'

export const becauseKinds = ['skill level', 'mark', 'habit', 'result', 'trend', 'attendance', 'note', 'always'] as const

/** A fact that chose a sentence, in words that a teacher recognises, with where it came from. */
export const becauseSchema = z.object({
  kind: z.enum(becauseKinds),
  /** What it is a fact of: a skill's id, a habit's key, "mark", the title of a piece of work. */
  about: text(300),
  /** "Number: 3 (secure)". */
  text: text(500),
  /**
   * The tier of what it is a part of (a strand, a habit, the mark; of an uneven strand its own), where it chose by
   * level; null where it is told word for word.
   */
  tier: z.enum(tiers).nullable(),
  termId: text(80),
  /** What has to stay the same for it to hold, where its text has names in it, which may change: "2 to 3". */
  value: text(200).optional(),
})
export type Because = Readonly<z.infer<typeof becauseSchema>>

/** A sentence of a draft: its place in the text as it stands now, how it was composed, and why it is there. */
export const draftSentenceSchema = z.object({
  /** Range in the text, in UTF-16 units, end exclusive. Empty where the teacher has taken the sentence out. */
  start: z.number().int().min(0),
  end: z.number().int().min(0),
  /** The words as they were composed. */
  composed: text(5000),
  /** The parts of the plan that it says, as in "outcome Number". */
  parts: z.array(text(120)).max(10),
  phraseIds: z.array(text(80)).max(10),
  because: z.array(becauseSchema).max(40),
})
export type DraftSentence = Readonly<z.infer<typeof draftSentenceSchema>>

/** Where a strand, habit or mark stood the term before, and where it went. */
export interface Trend {
  readonly move: Move
  /** Tiers climbed; below 0 for a fall. */
  readonly by: number
  /** "from 2 to 3 since the autumn term"; null when it did not move. */
  readonly text: string | null
  readonly because: Because
}

/** What the record says of one strand, habit or the whole subject, on the common ladder. */
export interface StandingFact {
  readonly kind: 'strand' | 'habit' | 'mark'
  /** What tells it from others of its kind: the strand, the habit's key, "mark". */
  readonly about: string
  /** What people call it. */
  readonly name: string
  /** Where it stands; an uneven strand counts as its weakest skill does. */
  readonly tier: Tier
  /**
   * True when a strand's skills lie so far apart that no one level is true of it: it is told by its strongest and
   * weakest.
   */
  readonly uneven: boolean
  readonly because: readonly Because[]
  /** Null when nothing is known of the term before. */
  readonly trend: Trend | null
  /**
   * The best and the least of a strand's skills in words that fit inside a sentence; null when there are not two that
   * differ.
   */
  readonly strongestSkill: SayableFact | null
  readonly weakestSkill: SayableFact | null
  /** The level of the mark's scale; left out for what is no mark. */
  readonly level?: Level
  /** What of a strand stands at its level, in the skills' own words; left out where no words are known. */
  readonly skills?: { readonly words: SkillWords; readonly because: Because }
}

/** A fact that can stand inside a sentence, with what it rests on. */
export interface SayableFact {
  readonly text: string
  readonly because: Because | null
}

/** One skill or habit with where it stands, as the school words both. */
export interface RatedFact {
  readonly kind: 'skill' | 'habit'
  /** The skill's id, or the habit's key. */
  readonly about: string
  /** The strand that a skill belongs to; null for a habit. */
  readonly strand: string | null
  /** As a family reads it. */
  readonly familyWords: string
  /** In the forms that sentences need; null where no words are known. */
  readonly words: SkillWords | null
  readonly level: Level
  /** The level of the term before; null where none is known. */
  readonly before: Level | null
  /** Levels of its scale climbed since then; below 0 for a fall, 0 where nothing is known of it. */
  readonly moved: number
  readonly because: Because
}

/** A note that may be told, as it can be said. */
export interface NoteFact {
  /** The note's id. */
  readonly id: string
  /** ISO date. */
  readonly date: string
  /** As the end of a sentence about the child, in the notation: "read {their} poem aloud". */
  readonly told: string
  readonly because: Because
}

/** What the record adds up to over all subjects: what the general comment may begin with. */
export interface WholeRecord {
  /** The subjects in which the child did best, in the school's order; empty where none stand out. */
  readonly best: readonly SayableFact[]
  /** The subjects that it was added up from, by key: those that whoever asks may read. */
  readonly subjects: readonly string[]
  /** The skills rated in all subjects; null where none is. */
  readonly skills: SkillsInAll | null
}

/** What the skills of all subjects add up to. */
export interface SkillsInAll {
  readonly of: number
  /** How many went up and down since the term before. */
  readonly up: number
  readonly down: number
  readonly because: Because
  /** How many stand at the sound tier or above, and how many of those above it. */
  readonly secure: number
  readonly strong: number
  readonly becauseOfSecure: Because
  readonly becauseOfStrong: Because
}

/** What is counted of a student, in the box's subject or, for the general comment, in all. */
export interface Counts {
  /** Pieces of work that came late, and that never came. */
  readonly late: number
  readonly missing: number
  /** Days of school in the term and days away; null where attendance is not known. */
  readonly attendance: { readonly daysOpen: number; readonly absences: number } | null
}

/** Everything a comment may speak of, for one student, box and term. */
export interface NarrativeFacts {
  readonly termId: string
  readonly termName: string
  /** The subject's settled mark, as a standing; null when none is settled. */
  readonly mark: StandingFact | null
  /** Habits and strands; two may share a name, so they are told apart by their kind. */
  readonly standings: readonly StandingFact[]
  /** The skills of the box's subject and all habits, each with its own level; in the school's order. */
  readonly rated: readonly RatedFact[]
  /** Notes of this term that belong to the box, the latest first. */
  readonly notes: readonly NoteFact[]
  readonly counts: Counts
  /** Null in a box that has a subject of its own. */
  readonly whole: WholeRecord | null
  /** How many skills the box's subject has for this class, rated or not. */
  readonly skillsInAll: number
  /** "autumn term": the term before, inside a sentence; null where there is none. */
  readonly termBefore: string | null
  /** Facts about the student that hold for the whole box; what is not known is not in it. */
  readonly sayable: Partial<Record<FactName, SayableFact>>
  /** Of which kinds whoever asks does not see all: that one is not there says nothing. */
  readonly unseen?: ReadonlySet<Because['kind']> | undefined
}

/** A part of the plan about which nothing is said, and why. */
export interface LeftOut {
  readonly part: PartKind
  readonly about: string
  readonly why: 'nothing is settled' | 'there is no phrase for it' | 'it does not apply' | 'there is no room'
}

/** A comment as composed. */
export interface Draft {
  readonly text: string
  readonly sentences: readonly DraftSentence[]
  readonly leftOut: readonly LeftOut[]
}
