/**
 * The five rungs that every scale's levels are pinned to, lowest first.
 *
 * Schools invent their own scales (1–4, A–E, N/O/S/L). A phrase is written for a tier, so that one phrasebook
 * serves any scale: each level of a scale says which tier it stands for. A scale need not use every tier.
 */
export const tiers = ['starting', 'growing', 'sound', 'strong', 'top'] as const

export type Tier = (typeof tiers)[number]

/**
 * 0 for the lowest tier to 4 for the highest.
 * @example tierRank('starting') // 0; tierRank('top') // 4
 */
export function tierRank(tier: Tier): number {
  return tiers.indexOf(tier)
}

/**
 * How far on a level is where nobody has said: scales are spread evenly from the lowest tier to the highest.
 * @param place of the level on its scale, best first, from 0
 * @param levels how many the scale has
 * @example tierByPlace(0, 3) // 'top'; tierByPlace(1, 3) // 'sound'; tierByPlace(2, 3) // 'starting'
 */
export function tierByPlace(place: number, levels: number): Tier {
  const steps = Math.max(1, levels - 1)
  return tiers[Math.floor(((levels - 1 - place) / steps) * (tiers.length - 1) + 0.5)] ?? 'starting'
}

/**
 * Which way a tier points in a comment: a strength to be glad of, or a difficulty to work on.
 * @example directionOf('sound') // 'strength'; directionOf('growing') // 'difficulty'
 */
export function directionOf(tier: Tier): 'strength' | 'difficulty' {
  return tierRank(tier) >= tierRank('sound') ? 'strength' : 'difficulty'
}
