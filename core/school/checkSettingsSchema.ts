import { z } from 'zod'
import { isKeepable } from '../text/plainText'

const words = z.string().trim().min(1).max(80).refine(isKeepable, 'There is a character here that cannot be kept.')

/** What a school wants of its comments, as it may be written: in a class's folder and over the wire alike. */
export const checkSettingsSchema = z.object({
  /** Whether each comment shall name the student. */
  nameWanted: z.boolean(),
  /** The Flesch–Kincaid grade that a comment shall not exceed. */
  readingTarget: z
    .number()
    .min(1, 'A reading target is a grade from 1 to 20.')
    .max(20, 'A reading target is a grade from 1 to 20.'),
  /** Words that do not belong in a report, each with what may be said instead, or "". */
  notWanted: z.array(z.object({ words, instead: z.string().trim().max(120) })).max(500),
  /** Words that touch on what is not for a report. */
  privateMatters: z.array(z.object({ about: words, words: z.array(words).max(200) })).max(30),
  /** Words that are spelled right here though a dictionary does not know them. */
  knownWords: z.array(words).max(2000),
})
