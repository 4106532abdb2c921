import { z } from 'zod'
import { specialValues, type SpecialValue } from '../core/scales/special'

const special = z.enum(Object.keys(specialValues) as [SpecialValue, ...SpecialValue[]])

/** A mark to settle; null to take a settled one back, so that only the proposal is left. */
export const markToSettle = z.object({
  studentId: z.uuid(),
  subject: z.string().min(1).max(60),
  mark: z
    .object({
      percent: z.number().min(0, 'A mark is not below 0.').max(120, 'A mark is not above 120 %.').nullable(),
      special: special.nullable(),
      reason: z.string().max(300, 'Keep the reason under 300 characters.').nullable(),
    })
    .refine(
      (mark) => (mark.percent === null) !== (mark.special === null),
      'Settle either a percentage or a special value.',
    )
    .nullable(),
})
export const marksToSettle = z.object({ marks: z.array(markToSettle).min(1).max(2000) })
export type MarkToSettle = z.infer<typeof markToSettle>

/** A skill level or habit score to settle; null to empty the cell. */
export const levelToSettle = z.object({
  studentId: z.uuid(),
  kind: z.enum(['skill', 'habit']),
  about: z.string().min(1).max(60),
  symbol: z.string().min(1).max(12).nullable(),
})
export const levelsToSettle = z.object({ levels: z.array(levelToSettle).min(1).max(5000) })
export type LevelToSettle = z.infer<typeof levelToSettle>
