import { z } from 'zod'
import { resultStates } from '../core/marks/work'
import { fields } from '../core/record/fields'
import { key, text } from '../core/text/textSchema'
import { day } from './days'
import { noneTwice } from './text'

const result = z
  .object({ state: z.enum(resultStates), score: fields.score.nullable(), remark: fields.remark })
  .nullable()

/** A result to keep; null to empty the cell. `was`: what the writer saw in it. */
export const resultToWrite = z.object({ workId: z.uuid(), studentId: z.uuid(), result, was: result })
export const resultsToWrite = z.object({
  results: noneTwice(resultToWrite, 10_000, (each) => `${each.workId} ${each.studentId}`).min(1),
})
export type ResultToWrite = z.infer<typeof resultToWrite>

/** A piece of work as its teacher keeps it; of a category that is not there yet, its name. */
export const workKept = z.object({
  title: fields.workTitle,
  category: text(80).pipe(z.string().min(1, 'Say which category the work belongs to.')),
  date: day.nullable(),
  outOf: fields.outOf,
  weight: fields.weight,
  counts: z.boolean(),
})
export type WorkKept = z.infer<typeof workKept>

/** A piece of work to add, to change or (null) to take away with its results. `was`: null for a new one. */
export const workToWrite = z.object({ id: z.uuid(), subject: key, work: workKept.nullable(), was: workKept.nullable() })
export type WorkToWrite = z.infer<typeof workToWrite>
