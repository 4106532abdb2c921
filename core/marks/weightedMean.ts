export interface Weighted {
  readonly value: number
  /** Not negative; a weight of 0 leaves the value out. */
  readonly weight: number
}

/**
 * Σ(value × weight) / Σ weight.
 * @example weightedMean([{ value: 80, weight: 3 }, { value: 60, weight: 1 }]) // 75
 * @returns null when the weights add up to nothing
 */
export function weightedMean(items: readonly Weighted[]): number | null {
  let sum = 0
  let weights = 0
  for (const { value, weight } of items) {
    sum += value * weight
    weights += weight
  }
  return weights > 0 ? sum / weights : null
}
