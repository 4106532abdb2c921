/**
 * The median: the middle value, or the mean of the two middle ones.
 * @example median([3, 1, 2, 4]) // 2.5
 * @returns null for no values
 */
export function median(values: readonly number[]): number | null {
  if (values.length === 0) return null
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length / 2
  const upper = sorted[Math.floor(half)] ?? 0
  const lower = sorted[Math.ceil(half) - 1] ?? upper
  return (lower + upper) / 2
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
