import { assertNever } from '../assertNever'
import { roundHalfUp } from './rounding'
import { levelForPercent, type Scale } from '../scales/scale'
import type { MarkRules } from './markRules'
import { median, mostFrequent } from './middle'
import { weightedMean, type Weighted } from './weightedMean'

/**
 * What the results of a category come to, in the way that the school chose.
 * @param items oldest first; percentages with their weights, which only the mean looks at
 * @param scale for the most frequent level; without one, the most frequent percentage
 * @returns null where there is nothing to draw together
 * @example drawTogether(of 60 and 80, { ...rules, together: 'most recent' }) // 80
 */
export function drawTogether(
  items: readonly Weighted[],
  { together, newestWeighs }: Pick<MarkRules, 'together' | 'newestWeighs'>,
  scale?: Scale,
): number | null {
  const values = items.filter(({ weight }) => weight > 0).map(({ value }) => value)
  switch (together) {
    case 'mean':
      return weightedMean(items)
    case 'recency weighted':
      return decayingAverage(values, newestWeighs / 100)
    case 'most recent':
      return values.at(-1) ?? null
    case 'median':
      return median(values)
    case 'most frequent':
      return ofMostFrequentLevel(values, scale)
    default:
      return assertNever(together)
  }
}

/**
 * Single exponential smoothing, which schools call a decaying average: the first value as it is, then each newer one
 * weighs `newest`, and what came before it the rest. (Formula: NIST/SEMATECH e-Handbook of Statistical Methods,
 * 6.4.3.1.)
 * @param values oldest first
 * @param newest from 0 to 1
 * @example decayingAverage([60, 80], 0.65) // 73
 */
export function decayingAverage(values: readonly number[], newest: number): number | null {
  const [first, ...later] = values
  if (first === undefined) return null
  return later.reduce((before, value) => newest * value + (1 - newest) * before, first)
}

/** The middle of the results at the level that was reached most often. */
function ofMostFrequentLevel(values: readonly number[], scale: Scale | undefined): number | null {
  const levelOf = (percent: number): string =>
    (scale && levelForPercent(scale, percent)?.symbol) ?? String(roundHalfUp(percent))
  const most = mostFrequent(values.map(levelOf))
  return median(values.filter((value) => levelOf(value) === most))
}
