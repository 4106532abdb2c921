import { z } from 'zod'
import { text } from '../core/text/textSchema'
import { addDays } from '../core/addDays'
import { outOfOrder } from './days'

/**
 * What of a locked term is opened again, from when to when (both days included), and why. One that is closed on the day
 * it was opened ended the day before.
 */
export const reopening = z
  .object({
    termId: z.uuid(),
    /** Null for every class of the year. */
    classId: z.uuid().nullable(),
    /** Null for all of the class. */
    subject: text(80).pipe(z.string().min(1)).nullable(),
    from: z.iso.date(),
    to: z.iso.date(),
    reason: text(300)
      .transform((written) => written.trim())
      .pipe(z.string().min(1, 'Say why it is opened again; it stays on record.')),
  })
  .refine(({ from, to }) => to >= addDays(from, -1), outOfOrder)
  .refine(({ classId, subject }) => classId !== null || subject !== null, 'Choose a class or a subject.')
export type Reopening = z.infer<typeof reopening>

/** A reopening to make or to change. `was`: as the writer saw it; null for a new one. */
export const reopeningToWrite = z.object({ id: z.uuid(), reopening, was: reopening.nullable() })
export type ReopeningToWrite = z.infer<typeof reopeningToWrite>

export interface ReopeningsAnswer {
  today: string
  /** The terms that are locked, oldest first. */
  terms: { id: string; name: string; locks: string }[]
  /** The classes that the asker may open again, and all subjects of the year. */
  classes: { id: string; name: string }[]
  subjects: { key: string; name: string }[]
  /** Newest first. */
  reopenings: ({ id: string; madeBy: string } & Reopening)[]
}
