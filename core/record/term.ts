import { z } from 'zod'
import { fields } from './fields'

const { day } = fields

/** A term as files and the database have it; days are ISO dates. */
export const termSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** The school year's id, and what it is called. */
  yearId: z.string(),
  year: z.string(),
  starts: day,
  ends: day,
  /** When progress reports are due; null, or left out, where the school sends none in this term. */
  progressDue: day.nullable().optional(),
  commentsDue: day,
  /** From this day on nothing of the term can be changed. */
  locks: day,
})
export type Term = Readonly<z.infer<typeof termSchema>>
