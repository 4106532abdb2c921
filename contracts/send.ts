import { z } from 'zod'
import { text } from '../core/text/textSchema'

/** The students whose reports are to be made; none named means all. */
export const reportsToMake = z.object({ students: z.array(z.uuid()).max(5000) })

/** A class's list to write into; widths and heights in millimetres. */
export const blankTableToMake = z.object({
  title: text(80),
  columns: z
    .array(z.object({ title: text(60), width: z.number().min(5, 'A column is 5 mm wide at the least.').max(250) }))
    .max(40),
  landscape: z.boolean(),
  rowHeight: z.number().min(5, 'A row is 5 mm high at the least.').max(60),
  names: z.enum(['given first', 'family first']),
})
