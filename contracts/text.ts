import { z } from 'zod'

/** A list in which no two are about the same. */
export function noneTwice<T extends z.ZodType>(item: T, most: number, keyOf: (each: z.infer<T>) => string) {
  return z
    .array(item)
    .max(most, `No more than ${most.toLocaleString('en')} at once.`)
    .refine((list) => new Set(list.map(keyOf)).size === list.length, 'The same stands here twice.')
}

/** What a write answers: an event that can be undone (null where nothing changed), and a text's version. */
export const writeAnswer = z.object({ event: z.number().int().nullable(), version: z.number().int().nullish() })
export type WriteAnswer = z.infer<typeof writeAnswer>
