import { levelForPercent, type Level, type Scale } from '../scales/scale'
import type { SpecialValue } from '../scales/special'
import { roundHalfUp } from './rounding'
import type { MarkRules } from './markRules'

/** What the teacher decided for a subject and term. It never replaces the computed mark: both are kept. */
export interface SettledMark {
  /** Null when a special value was settled. */
  readonly percent: number | null
  readonly special: SpecialValue | null
  readonly reason: string | null
  /** What the record proposed when it was settled; left out or null where nobody knows. */
  readonly proposed?: number | null
}

/** How a settled mark agrees with the proposal today. */
export type Agreement = 'open' | 'as proposed' | 'differs' | 'special' | 'without a record'

/**
 * Whether the settled mark is the proposal, differs from it, or is still open. Both are compared as shown.
 * @example agreementOf(79.6, { percent: 80, special: null, reason: null }, usualMarkRules) // 'as proposed': both
 * read 80
 */
export function agreementOf(proposal: number | null, settled: SettledMark | undefined, rules: MarkRules): Agreement {
  if (!settled) return 'open'
  if (settled.special !== null) return 'special'
  // Where only the term's mark is typed there is nothing that it could differ from.
  if (proposal === null) return 'without a record'
  if (settled.percent === null) return 'differs'
  return roundHalfUp(settled.percent, rules.decimals) === roundHalfUp(proposal, rules.decimals)
    ? 'as proposed'
    : 'differs'
}

/**
 * The level a percentage stands for, from the rounded or the unrounded mark as the school decides.
 * @example markLevel(79.6, scale, { ...usualMarkRules, letterFrom: 'rounded' })?.symbol // 'A' where A begins at 80
 */
export function markLevel(percent: number, scale: Scale, rules: MarkRules): Level | undefined {
  return levelForPercent(scale, rules.letterFrom === 'rounded' ? roundHalfUp(percent, rules.decimals) : percent)
}

/**
 * What was proposed when a mark was settled, where the record proposes another now; null where it does not, or where
 * nobody knows. Both are compared as they are shown.
 * @example movedFrom(81, { percent: 74, special: null, reason: null, proposed: 74 }, usualMarkRules) // 74
 */
export function movedFrom(proposal: number | null, settled: SettledMark | undefined, rules: MarkRules): number | null {
  const before = settled?.proposed ?? null
  if (before === null || proposal === null) return null
  return roundHalfUp(before, rules.decimals) === roundHalfUp(proposal, rules.decimals) ? null : before
}
