import { z } from 'zod'
import { key, text } from './text'
import { columnRoles } from '../core/exchange/gradebookMapping'

/** How a file is to be read, as the teacher corrected it. */
export const gradebookMapping = z.object({
  shape: z.enum(['wide', 'long']),
  headingRow: z.number().int().min(1),
  columns: z.array(z.enum(columnRoles)).max(2000),
  describingRows: z.record(z.string(), z.enum(['out of', 'category', 'date', 'weight'])),
  category: text(80).pipe(z.string().min(1, 'Say which category the work belongs to.')),
  outOf: z.number().positive('The usual maximum must be above 0.').max(100_000),
  dates: z.enum(['day first', 'month first']),
  people: z.record(z.string().max(300), z.uuid()),
})

export const importToPlan = z.object({ mapping: gradebookMapping })
/** `fingerprint` is that of the plan the teacher saw: if the class has changed since, a new plan is shown first. */
export const importToApply = z.object({ mapping: gradebookMapping, fingerprint: key })
