import { roundHalfUp } from './rounding'

/** Percentages below and from which somebody wants results and marks marked; null for not at all. */
export interface Thresholds {
  readonly lowBelow: number | null
  readonly highFrom: number | null
}

/**
 * Whether a percentage is one that somebody wants marked. A mark is judged as it is shown: what reads 50 is not below
 * 50.
 * @param decimals of a mark that is shown rounded; null for a result, which is judged as it is
 * @example standsOut(49.97, { lowBelow: 50, highFrom: null }, 0) // null
 */
export function standsOut(
  percent: number,
  { lowBelow, highFrom }: Thresholds,
  decimals: number | null = null,
): 'low' | 'high' | null {
  const shown = decimals === null ? percent : roundHalfUp(percent, decimals)
  if (lowBelow !== null && shown < lowBelow) return 'low'
  return highFrom !== null && shown >= highFrom ? 'high' : null
}
