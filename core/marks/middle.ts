/**
 * The value below which a part of the values lies: 0.25 and 0.75 bound the middle half. Where the part falls between two
 * values it is their mean (Hyndman and Fan's second definition, under which the half is the median).
 * @param part above 0 and below 1
 * @example quantile([1, 2, 3, 4], 0.25) // 1.5
 * @returns null for no values
 */
export function quantile(values: readonly number[], part: number): number | null {
  if (values.length === 0) return null
  const sorted = [...values].sort((a, b) => a - b)
  const place = sorted.length * part
  const upper = sorted[Math.floor(place)] ?? sorted.at(-1) ?? 0
  const lower = sorted[Math.ceil(place) - 1] ?? upper
  return Number.isInteger(place) ? (lower + upper) / 2 : lower
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
 */
export function mostFrequent<T>(values: readonly T[]): T | undefined {
  const counts = new Map<T, number>()
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  const most = Math.max(0, ...counts.values())
  return values.findLast((value) => counts.get(value) === most)
}
