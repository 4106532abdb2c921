/**
 * Rounds half up at a number of decimals, as people do it on paper: 84.5 → 85, 0.125 → 0.13.
 * A tiny allowance (a few units in the last place) undoes binary noise such as 1.005 being stored as 1.00499….
 * @param decimals 0 to 3
 * @example roundHalfUp(84.5) // 85; roundHalfUp(1.005, 2) // 1.01
 */
export function roundHalfUp(value: number, decimals = 0): number {
  const scale = 10 ** decimals
  const scaled = value * scale
  const noise = Math.abs(scaled) * Number.EPSILON * 4
  return Math.floor(scaled + 0.5 + noise) / scale
}

/**
 * A percentage as people read it: "84 %" with no more decimals than the school keeps.
 *
 * @example percentText(67.5) // '68 %'
 */
export function percentText(value: number, decimals = 0): string {
  return `${roundHalfUp(value, decimals).toFixed(decimals)} %`
}
