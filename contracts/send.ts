import { z } from 'zod'
import { nameOrders } from '../core/people/names'
import { blankTableLimits } from '../core/reports/blankTable'
import { text } from '../core/text/textSchema'

/** The students whose reports are to be made; none named means all. */
export const reportsToMake = z.object({ students: z.array(z.uuid()).max(5000) })

const { columns, width, rowHeight } = blankTableLimits
const millimetres = ({ least, most }: { least: number; most: number }) =>
  z.number().min(least, `It is ${least} mm at the least.`).max(most, `It is ${most} mm at the most.`)

/** A class's list to write into; widths and heights in millimetres. */
export const blankTableToMake = z.object({
  title: text(80),
  columns: z.array(z.object({ title: text(60), width: millimetres(width) })).max(columns),
  landscape: z.boolean(),
  rowHeight: millimetres(rowHeight),
  names: z.enum(nameOrders),
})
