import { directionOf, tierRank } from '../../scales/tier'
import type { RatedFact } from '../because'
import { maySayHowMany, type PlannedPart } from '../plan'
import { inOwnOrder } from '../preference'
import { middleOf, weightOf } from './planTold'

/**
 * What a plan does not have told, since its parts speak of so many skills or habits at most: what tells least of the
 * child. What any part tells of is told.
 */
export function untoldByNumber(
  plan: readonly PlannedPart[],
  rated: readonly RatedFact[],
  seed: string,
): ReadonlySet<RatedFact> {
  const told = new Set<RatedFact>()
  const untold = new Set<RatedFact>()
  for (const part of plan) {
    if (part.atMost === undefined || !maySayHowMany(part)) continue
    const within = rated.filter((fact) => speaksOf(part, fact))
    const most = new Set(mostTelling(within, part.atMost, seed))
    for (const fact of within) (most.has(fact) ? told : untold).add(fact)
  }
  for (const fact of told) untold.delete(fact)
  return untold
}

/**
 * So many facts that tell most of a child: the lowest, since the next step is for it; the best that is no difficulty;
 * then whatever is furthest from the child's own middle, or has moved.
 * @param seed what tells this child from others: of what weighs the same, classmates are told different things
 */
export function mostTelling(facts: readonly RatedFact[], atMost: number, seed: string): RatedFact[] {
  const middle = middleOf(facts)
  const own = inOwnOrder(facts, seed, ({ about }) => about)
  const byWeight = own.toSorted((a, b) => weightOf(b, middle) - weightOf(a, middle))
  const byLevel = byWeight.toSorted((a, b) => tierRank(a.level.tier) - tierRank(b.level.tier))
  const best = byLevel.toReversed().find(({ level }) => directionOf(level.tier) === 'strength')
  const inOrder = new Set([...byLevel.slice(0, 1), ...(best ? [best] : []), ...byWeight])
  return [...inOrder].slice(0, atMost)
}

function speaksOf({ part, about }: PlannedPart, { kind, strand }: RatedFact): boolean {
  return (part === 'habit') === (kind === 'habit') && (about === 'each' || about === strand)
}
