import { directionOf, tierRank } from '../scales/tier'
import type { NarrativeFacts } from './because'

/**
 * Whether the mark and the levels of a subject tell two stories: every strand is a strength and the mark a difficulty,
 * or the other way round, and one of them lies two tiers off or more. Ours. A family that reads both may ask why.
 * @example a mark at growing beside strands at strong // true; beside strands at sound // false, one tier apart
 */
export function markAgainstLevels({ mark, standings }: Pick<NarrativeFacts, 'mark' | 'standings'>): boolean {
  const strands = standings.filter(({ kind }) => kind === 'strand')
  if (!mark || strands.length === 0) return false
  return (
    strands.every(({ tier }) => directionOf(tier) !== directionOf(mark.tier)) &&
    strands.some(({ tier }) => Math.abs(tierRank(tier) - tierRank(mark.tier)) >= 2)
  )
}
