import { directionOf, tierRank, type Tier } from '../../scales/tier'
import type { RatedFact } from '../because'

/** Skills or habits that are told in one sentence, and what holds them together. */
export interface Telling {
  readonly relation: 'level' | 'all at one level' | 'strength and difficulty' | 'up' | 'down'
  readonly facts: readonly RatedFact[]
}

/** So many skills are told in one breath. */
const mostTogether = 3

/** How far a fact sets this child apart: its distance from the child's own middle, and twice what it moved. */
export function weightOf(fact: RatedFact, middle: number): number {
  return Math.abs(tierRank(fact.level.tier) - middle) + 2 * Math.abs(movedBy(fact))
}

/** Tiers climbed since the term before; below 0 for a fall, 0 where nothing is known of it. */
export function movedBy({ level, before }: RatedFact): number {
  return before ? tierRank(level.tier) - tierRank(before.tier) : 0
}

/** The middle of a child's levels: the lower median. */
export function middleOf(facts: readonly RatedFact[]): number {
  const ranks = facts.map(({ level }) => tierRank(level.tier)).toSorted((a, b) => a - b)
  return ranks[Math.ceil(ranks.length / 2) - 1] ?? 0
}

/**
 * What is told of a child's skills, in the order in which it is told: what moved by itself, what stands alike together,
 * a strength and a difficulty in one; the best positive first, a fall late, the lowest last.
 */
export function planTold(facts: readonly RatedFact[]): Telling[] {
  const middle = middleOf(facts)
  const byWeight = (a: RatedFact, b: RatedFact): number => weightOf(b, middle) - weightOf(a, middle)
  const up = facts.filter((fact) => movedBy(fact) > 0).toSorted(byWeight)
  const down = facts.filter((fact) => movedBy(fact) < 0).toSorted(byWeight)
  const still = facts.filter((fact) => movedBy(fact) === 0)
  const [only] = still
  if (
    up.length + down.length === 0 &&
    still.length > 2 &&
    only?.kind === 'skill' &&
    still.every((each) => isAlike(each, only))
  )
    return [{ relation: 'all at one level', facts: still }]
  const grouped = groups(still)
  const told: Telling[] = [...movedTogether(up, 'up'), ...joinedContrast(grouped), ...movedTogether(down, 'down')]
  return told.toSorted((a, b) => placeOf(a, middle) - placeOf(b, middle))
}

/** What moved from one level to one other goes together, in parts of three at most. */
function movedTogether(facts: readonly RatedFact[], relation: 'up' | 'down'): Telling[] {
  const byMove = new Map<string, RatedFact[]>()
  for (const fact of facts) {
    const move = `${movedBy(fact)} ${fact.level.tier}`
    byMove.set(move, [...(byMove.get(move) ?? []), fact])
  }
  return [...byMove.values()].flatMap((alike) => inParts(alike).map((part): Telling => ({ relation, facts: part })))
}

function inParts(facts: readonly RatedFact[]): RatedFact[][] {
  const parts = Math.ceil(facts.length / mostTogether)
  const size = Math.ceil(facts.length / parts)
  return Array.from({ length: parts }, (_, nth) => facts.slice(nth * size, (nth + 1) * size))
}

function isAlike(a: RatedFact, b: RatedFact): boolean {
  return a.level.tier === b.level.tier && a.kind === b.kind
}

/** Those at one tier together, in parts of three at most; the best first. */
function groups(facts: readonly RatedFact[]): RatedFact[][] {
  const byTier = new Map<Tier, RatedFact[]>()
  for (const fact of facts) byTier.set(fact.level.tier, [...(byTier.get(fact.level.tier) ?? []), fact])
  return [...byTier].toSorted(([a], [b]) => tierRank(b) - tierRank(a)).flatMap(([, alike]) => inParts(alike))
}

/** One contrast at the most: the last strength that stands alone, with a single difficulty two tiers below. */
function joinedContrast(grouped: readonly RatedFact[][]): Telling[] {
  const last = grouped.at(-1)
  const before = grouped.at(-2)
  const [low] = last ?? []
  const [high] = before ?? []
  const joins =
    low &&
    high &&
    last?.length === 1 &&
    before?.length === 1 &&
    directionOf(low.level.tier) === 'difficulty' &&
    tierRank(high.level.tier) - tierRank(low.level.tier) >= 2
  const told = grouped.map((facts): Telling => ({ relation: 'level', facts }))
  return joins ? [...told.slice(0, -2), { relation: 'strength and difficulty', facts: [high, low] }] : told
}

/** The best first; what fell after what stands; what is a difficulty last, the lowest at the end. */
function placeOf({ relation, facts }: Telling, middle: number): number {
  const ranks = facts.map(({ level }) => tierRank(level.tier))
  const low = Math.min(...ranks)
  if (relation === 'strength and difficulty') return 60 - low
  if (low < tierRank('sound')) return 80 - low + (relation === 'up' ? -15 : 0)
  if (relation === 'down') return 50
  const [first] = facts
  return 30 - (relation === 'up' ? 20 : 0) - low - (first ? weightOf(first, middle) : 0)
}
