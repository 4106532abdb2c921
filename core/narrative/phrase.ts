import { z } from 'zod'
import { gradeRange } from '../people/gradeRange'
import { tiers, type Tier } from '../scales/tier'
import { key, text } from '../text/textSchema'

/** The parts that a comment can be made of. */
export const partKinds = ['opening', 'outcome', 'habit', 'progress', 'next step', 'help at home', 'closing'] as const
export type PartKind = (typeof partKinds)[number]

/** Where something has gone since the term before. */
export const moves = ['up', 'same', 'down'] as const
export type Move = (typeof moves)[number]

/**
 * What a phrase claims of a child. "level": no more than the level, mark or facts by which it is chosen; "particular":
 * something that somebody must have seen; "advice": what to do next; "courtesy": nothing of the child.
 */
export const claimKinds = ['level', 'particular', 'advice', 'courtesy'] as const
export type Claim = (typeof claimKinds)[number]

/** A sentence that a school uses, for one part of a comment. */
export const phraseSchema = z.object({
  id: key,
  /** A subject's key, "general" for the general comment, or "any". */
  subject: key,
  part: z.enum(partKinds),
  /** The strand, or the key of the habit, it speaks of; "any" for parts that speak of none. */
  about: key,
  /** The tiers it is true for; empty when it suits every one. */
  tiers: z.array(z.enum(tiers)).max(5),
  /**
   * True for an outcome that is told of an uneven strand only: by its strongest and its weakest skill, `tiers` being
   * where the weakest stands.
   */
  uneven: z.boolean(),
  /** The moves since last term that it is true for; empty when it suits every one. */
  moves: z.array(z.enum(moves)).max(3),
  /** In Facunda's notation. Without a full stop it is a clause, which gets one where it stands alone. */
  text: text(400, 'Keep a phrase under 400 characters.'),
  /** What somebody has said that it claims; null where that is recognised by its words (claimOf). */
  claims: z.enum(claimKinds).nullable(),
  /** A word for how it sounds ("warm", "plain"), or "" for any. */
  tone: text(20).transform((tone) => tone.trim()),
  /** The grades it is written for, or null for all. */
  grades: gradeRange,
  /** The person whose own phrase it is, or null for the school's. */
  owner: z.string().nullable(),
})
export type Phrase = z.infer<typeof phraseSchema>

/** Interchangeable describing words by tier. */
export type DescribingWords = Record<Tier, string[]>

/** All that a school has to say, with its describing words. */
export interface Phrasebook {
  readonly phrases: readonly Phrase[]
  readonly describing: DescribingWords
}
