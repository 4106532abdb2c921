import { z } from 'zod'
import { fields } from '../core/record/fields'
import { noteKinds } from '../core/record/observations'
import { text } from '../core/text/textSchema'
import { day } from './days'

/** A note as its writer keeps it. */
export const noteKept = z.object({
  date: day,
  kind: z.enum(noteKinds).nullable(),
  about: text(80),
  /** Notes that wait on a device from before could say no level. */
  symbol: fields.symbol.nullable().default(null),
  text: fields.note.transform((written) => written.trim()),
  mayTell: z.boolean(),
})
export type NoteKept = z.infer<typeof noteKept>

/** A note to write, to change or (null) to take away. `was`: what the writer saw of it; null for a new one. */
export const noteToWrite = z.object({
  id: z.uuid(),
  studentId: z.uuid(),
  note: noteKept.nullable(),
  was: noteKept.nullable(),
})
export type NoteToWrite = z.infer<typeof noteToWrite>
