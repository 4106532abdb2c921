import { z } from 'zod'
import { key, text } from '../core/text/textSchema'
import type { NetChange } from '../core/terms/netChanges'
import type { PastValue } from './history'

/**
 * What of a class in a term is signed off, or (null) no longer: a subject, or what belongs to none (habits, attendance,
 * the general comment). `was`: when the sign-off was made that the writer saw, in ms; null for none.
 */
export const signOffToWrite = z.object({
  subject: key.nullable(),
  signed: z.object({ note: text(500).transform((written) => written.trim()) }).nullable(),
  was: z.number().nullable(),
})
export type SignOffToWrite = z.infer<typeof signOffToWrite>

/** A value that is another than when it was signed off. */
export interface LaterChange extends Omit<NetChange<PastValue>, 'place'> {
  of: 'mark' | 'skill' | 'habit' | 'result' | 'comment' | 'attendance'
  studentId: string
  /** The subject, skill, habit, piece of work or box; empty for attendance. */
  about: string
}

export interface SignOff {
  /** Null for what belongs to no subject. */
  subject: string | null
  /** In ms. */
  at: number
  by: string
  /** For the coordinator. */
  note: string
  /** What has been changed since, the latest last. */
  changes: LaterChange[]
}
