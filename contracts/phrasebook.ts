import { z } from 'zod'
import { moves, partKinds } from '../core/narrative/phrase'
import { tiers } from '../core/scales/tier'

const grade = z.number().int().min(0).max(13)

/** A phrase as it shall be. `owner`: the school's, or the writer's own. */
export const phraseToWrite = z.object({
  id: z.string().min(1, 'A phrase needs an id of its own.').max(80),
  subject: z.string().min(1).max(60),
  part: z.enum(partKinds),
  about: z.string().min(1).max(80),
  tiers: z.array(z.enum(tiers)).max(5),
  uneven: z.boolean(),
  moves: z.array(z.enum(moves)).max(3),
  text: z.string().trim().min(1, 'A phrase needs words.').max(400, 'Keep a phrase under 400 characters.'),
  tone: z.string().trim().max(20),
  grades: z
    .object({ from: grade, to: grade })
    .refine(({ from, to }) => from <= to, 'A range of grades runs from the lower to the higher.')
    .nullable(),
  owner: z.enum(['school', 'mine']),
  /** The text that the writer saw, so that nobody's change is overwritten unseen; left out where it does not matter. */
  was: z.string().max(400).optional(),
})
export type PhraseToWrite = z.infer<typeof phraseToWrite>

/** Phrases to put in or change, and ids of those to take out, as one change. */
export const phrasesToWrite = z.object({
  phrases: z.array(phraseToWrite).max(20_000),
  removed: z.array(z.string().min(1).max(80)).max(20_000),
})
export type PhrasesToWrite = z.infer<typeof phrasesToWrite>

/** The describing words of a tier, in order. */
export const describingToWrite = z.object({
  tier: z.enum(tiers),
  words: z
    .array(
      z
        .string()
        .regex(/^[a-z][a-z-]*$/, 'A describing word is one word in small letters.')
        .max(40),
    )
    .max(60),
})
export type DescribingToWrite = z.infer<typeof describingToWrite>

/** A box's plan, as plans are written (docs/formats.md). */
export const planToWrite = z.object({ plan: z.string().max(2000) })
export type PlanToWrite = z.infer<typeof planToWrite>

/** How many comments of a class say a phrase: those that a redraft would change, and those that stay as they are. */
export interface PhraseUses {
  classId: string
  className: string
  drafts: number
  /** Finished, or with own words. */
  staying: number
}

/** A change to a phrase, as its history shows it. */
export interface PhraseChange {
  event: number
  at: string
  by: string
  /** Null where the phrase was put in, or taken out. */
  before: string | null
  after: string | null
  /** True when the reader did it and nobody has undone it. */
  undoable: boolean
}
