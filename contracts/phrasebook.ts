import { z } from 'zod'
import { phraseSchema } from '../core/narrative/phrase'
import { checkSettingsSchema } from '../core/school/checkSettingsSchema'
import { tiers } from '../core/scales/tier'
import { key, text } from '../core/text/textSchema'
import { noneTwice } from './text'

/** A phrase as the writer saw it; null where there was none. */
const phraseSeen = phraseSchema.omit({ id: true, owner: true }).nullable()

/** A phrase as it shall be. `owner`: the school's, or the writer's own. */
export const phraseToWrite = phraseSchema.extend({
  text: phraseSchema.shape.text.transform((words) => words.trim()).pipe(z.string().min(1, 'A phrase needs words.')),
  owner: z.enum(['school', 'mine']),
  was: phraseSeen,
})
export type PhraseToWrite = z.infer<typeof phraseToWrite>

/** Phrases to put in or change, and those to take out, as one change. */
export const phrasesToWrite = z.object({
  phrases: noneTwice(phraseToWrite, 20_000, (phrase) => phrase.id),
  removed: noneTwice(z.object({ id: key, was: phraseSeen }), 20_000, (phrase) => phrase.id),
})
export type PhrasesToWrite = z.infer<typeof phrasesToWrite>

const describingWords = z
  .array(
    z
      .string()
      .regex(/^[a-z][a-z-]*$/, 'A describing word is one word in small letters.')
      .max(40),
  )
  .max(60)

/** The describing words of a tier, in order. `was`: those that the writer saw. */
export const describingToWrite = z.object({ tier: z.enum(tiers), words: describingWords, was: describingWords })
export type DescribingToWrite = z.infer<typeof describingToWrite>

/** A box's plan, as plans are written (docs/formats.md). `was`: the one that the writer saw. */
export const planToWrite = z.object({ plan: text(2000), was: text(2000) })
export type PlanToWrite = z.infer<typeof planToWrite>

/** What the school's checks look for. `was`: what the writer saw. */
export const checksToWrite = z.object({ checks: checkSettingsSchema, was: checkSettingsSchema })
export type ChecksToWrite = z.infer<typeof checksToWrite>

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
