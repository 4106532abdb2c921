/**
 * The value below which a part of the values lies: 0.25 and 0.75 bound the middle half. Between two values it is
 * found on
 * the straight line from one to the other (Hyndman and Fan's seventh definition, the one spreadsheets use).
 * @param part from 0 to 1
 * @example quantile([1, 2, 3, 4], 0.25) // 1.75
 * @returns null for no values
 */
export function quantile(values: readonly number[], part: number): number | null {
  const sorted = [...values].sort((a, b) => a - b)
  const place = (sorted.length - 1) * part
  const lower = sorted[Math.floor(place)]
  const upper = sorted[Math.ceil(place)]
  return lower === undefined || upper === undefined ? null : lower + (upper - lower) * (place - Math.floor(place))
}

/**
 * The median: the middle value, or the mean of the two middle ones.
 * @example median([3, 1, 2, 4]) // 2.5
 * @returns null for no values
 */
export function median(values: readonly number[]): number | null {
  return quantile(values, 0.5)
}

/**
 * The value that occurs most often; among equally frequent ones the more recent (common practice among teachers).
 * @param values oldest first
 * @returns undefined for no values
 *
 * @example mostFrequent([2, 3, 3, 2]) // 2
 */
export function mostFrequent<T>(values: readonly T[]): T | undefined {
  const counts = new Map<T, number>()
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  const most = Math.max(0, ...counts.values())
  return values.findLast((value) => counts.get(value) === most)
}
