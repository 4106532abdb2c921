import type { PartKind } from './phrase'
import type { Need } from './plan'

/** How readily a part of the plan gives way when the limit is tight: the highest first. */
export const givesWay: Readonly<Record<PartKind, number>> = {
  'closing': 6,
  'opening': 5,
  'help at home': 4,
  'progress': 3,
  'habit': 2,
  'next step': 0.9,
  'outcome': 0.8,
}

/** The same of what is told: the middle before the best, which is said first; the lowest, said last, hardly ever. */
export const toldGivesWay = { inTheMiddle: 3.5, note: 2, best: 1, lowest: 0.8 } as const

/** From here on a part gives way before the others are squeezed into their shortest words. */
export const givesWayEarly: number = toldGivesWay.inTheMiddle

/**
 * How readily a part gives way after what its plan says of it: what may be said before all else, what must after it.
 * @param usual how readily parts of its kind do
 * @example givesWayAs(givesWay.closing, 'must') < givesWayAs(givesWay.outcome, undefined) // true
 */
export function givesWayAs(usual: number, need: Need | undefined): number {
  if (need === undefined) return usual
  return need === 'may' ? usual + firstToGo : usual / firstToGo
}

/** More than any kind of part has. */
const firstToGo = 10
