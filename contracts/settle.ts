import { z } from 'zod'
import { fields } from '../core/record/fields'
import { specialValues, type SpecialValue } from '../core/scales/special'
import { key } from '../core/text/textSchema'
import { noneTwice } from './text'

const special = z.enum(Object.keys(specialValues) as [SpecialValue, ...SpecialValue[]])

const settledMark = z.object({
  percent: fields.percent.nullable(),
  special: special.nullable(),
  reason: fields.reason.nullable(),
})
const oneOfBoth = (mark: { percent: number | null; special: SpecialValue | null }): boolean =>
  (mark.percent === null) !== (mark.special === null)
const neither = 'Settle either a percentage or a special value.'

/** A settled mark as it stood; null where none was. */
const standingMark = settledMark.refine(oneOfBoth, neither).nullable()
/** A mark to settle, with what the writer saw proposed; null to settle none. */
const wantedMark = settledMark
  .extend({ proposed: fields.proposed.nullable().optional() })
  .refine(oneOfBoth, neither)
  .nullable()

/** A mark to settle; null to take a settled one back, so that only the proposal is left. `was`: what the writer saw. */
export const markToSettle = z.object({ studentId: z.uuid(), subject: key, mark: wantedMark, was: standingMark })
export const marksToSettle = z.object({
  marks: noneTwice(markToSettle, 2000, (each) => `${each.studentId} ${each.subject}`).min(1),
})
export type MarkToSettle = z.infer<typeof markToSettle>

const symbol = fields.symbol.nullable()

/** A skill level or habit score to settle; null to empty the cell. `was`: what the writer saw in it. */
export const levelToSettle = z.object({
  studentId: z.uuid(),
  kind: z.enum(['skill', 'habit']),
  about: key,
  symbol,
  /** What the writer saw proposed. */
  proposed: symbol.optional(),
  was: symbol,
})
export const levelsToSettle = z.object({
  levels: noneTwice(levelToSettle, 5000, (each) => `${each.studentId} ${each.kind} ${each.about}`).min(1),
})
export type LevelToSettle = z.infer<typeof levelToSettle>
