import { z } from 'zod'

/** What a school decides about term marks. */
export const markRulesSchema = z.object({
  missing: z.enum(['counts as zero', 'is left out']),
  /** By category: the mean of each category, then of the categories. By points: points scored over points possible. */
  method: z.enum(['by category', 'by points']),
  /** Whether the letter is read off the mark before or after it is rounded. */
  letterFrom: z.enum(['unrounded', 'rounded']),
  /** Decimals kept when the mark is shown. */
  decimals: z.number().int().min(0).max(3),
})
export type MarkRules = Readonly<z.infer<typeof markRulesSchema>>

export const usualMarkRules: MarkRules = {
  missing: 'counts as zero',
  method: 'by category',
  letterFrom: 'unrounded',
  decimals: 0,
}
