import { percentText, roundHalfUp } from './rounding'

/** How a mark is shown to somebody. */
export interface MarksShown {
  readonly marksAs: 'percent' | 'letter' | 'points'
  /** Of how many points, where marks are shown as points. */
  readonly pointsOf: number
}

/**
 * A mark as somebody likes to see it: "84 %", its level's symbol, or points of a whole, to a tenth.
 * @param symbol the level that the mark stands for; where there is none the percentage is shown
 * @example markText(84, 'B', { marksAs: 'points', pointsOf: 20 }) // '16.8 of 20'
 */
export function markText(
  percent: number,
  symbol: string | undefined,
  { marksAs, pointsOf }: MarksShown,
  decimals = 0,
): string {
  if (marksAs === 'points') return `${pointsIn(percent, pointsOf)} of ${pointsOf}`
  return marksAs === 'letter' && symbol ? symbol : percentText(percent, decimals)
}

/**
 * A percentage in points of a whole, to a tenth.
 * @example pointsIn(84, 20) // 16.8
 */
export function pointsIn(percent: number, whole: number): number {
  return roundHalfUp((percent * whole) / 100, 1)
}
