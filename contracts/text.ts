import { z } from 'zod'
import { isKeepable } from '../core/text/plainText'

const reason = 'There is a character in this text that cannot be kept. Take it out, or type the text again.'

/** Any text that a person writes: of no more than so many UTF-16 units, without what cannot be kept, composed (NFC). */
export function text(most: number, tooLong = `Keep this under ${most.toLocaleString('en')} characters.`) {
  return z
    .string()
    .max(most, tooLong)
    .refine(isKeepable, reason)
    .transform((written) => written.normalize('NFC'))
}

/** The key or name of something that is set up already. */
export const key = z.string().min(1).max(80).refine(isKeepable, reason)

/** A list in which no two are about the same. */
export function noneTwice<T extends z.ZodType>(item: T, most: number, placeOf: (each: z.infer<T>) => string) {
  return z
    .array(item)
    .max(most, `No more than ${most.toLocaleString('en')} at once.`)
    .refine((list) => new Set(list.map(placeOf)).size === list.length, 'The same stands here twice.')
}

/** What a write answers: an event that can be undone (null where nothing changed), and a text's version. */
export const writeAnswer = z.object({ event: z.number().int().nullable(), version: z.number().int().nullish() })
export type WriteAnswer = z.infer<typeof writeAnswer>
