import { flatMap } from '../../flatMap'
import { groupBy } from '../../groupBy'
import { memoize } from '../../memoize'
import { directionOf, tierRank } from '../../scales/tier'
import type { RatedFact } from '../because'
import { inOwnOrder } from '../preference'
import type { SkillWords } from '../skillWords'

/** Skills or habits that are told in one sentence, and what holds them together. */
export interface Telling {
  readonly relation:
    'level' | 'all at one level' | 'two levels' | 'stands out' | 'strength and difficulty' | 'up' | 'down' | 'habits'
  readonly facts: readonly RatedFact[]
}

/** So many skills, or habits at one score, are told in one breath. */
const mostTogether = 3

/** So many habits in one sentence, whatever their scores, and so many words. */
const mostHabits = 4
const mostWords = 22

/** So many words of skills in one sentence. */
const mostWordsOfSkills = 16

/** How far a fact sets this child apart: its distance from the child's own middle, and twice what it moved. */
export function weightOf(fact: RatedFact, middle: number): number {
  return Math.abs(tierRank(fact.level.tier) - middle) + 2 * Math.abs(fact.moved)
}

/** The middle of a child's levels: the lower median. */
export function middleOf(facts: readonly RatedFact[]): number {
  const ranks = facts.map(({ level }) => tierRank(level.tier)).toSorted((a, b) => a - b)
  return ranks[Math.ceil(ranks.length / 2) - 1] ?? 0
}

/**
 * What is told of a child's skills and habits, in the order in which it is told: what moved by itself, what stands
 * alike together, a strength and a difficulty in one; the best positive first, a fall late, the lowest last. The order
 * of aggregation and lexical choice follows Reiter and Dale's account of text generation; from memory.
 * @param facts what is told, of `rated`: what is the best, or all, is so of everything that was looked at
 * @param seed what tells this child from others: what weighs the same is told in an order of the child's own
 */
export function planTold(facts: readonly RatedFact[], seed: string, rated: readonly RatedFact[] = facts): Telling[] {
  const own = inOwnOrder(facts, seed, ({ about }) => about)
  const skills = rated.filter(({ kind }) => kind === 'skill')
  return [
    ...skillsTold(
      own.filter(({ kind }) => kind === 'skill'),
      skills,
    ),
    ...habitsInOrder(own),
  ]
}

function skillsTold(facts: readonly RatedFact[], rated: readonly RatedFact[]): Telling[] {
  const middle = middleOf(facts)
  const byWeight = (a: RatedFact, b: RatedFact): number => weightOf(b, middle) - weightOf(a, middle)
  const up = facts.filter(({ moved }) => moved > 0).toSorted(byWeight)
  const down = facts.filter(({ moved }) => moved < 0).toSorted(byWeight)
  const still = facts.filter(({ moved }) => moved === 0)
  const [only] = still
  const areAll = still.length > 2 && still.length === rated.length
  if (areAll && only && still.every((each) => isAlike(each, only)))
    return [{ relation: 'all at one level', facts: still }]
  const best = highest(rated)
  const rest = still.filter((fact) => fact !== best)
  const told: Telling[] = [
    ...(best && rest.length < still.length ? [{ relation: 'stands out' as const, facts: [best] }] : []),
    ...movedTogether(up, 'up'),
    ...joinedLevels(joinedContrast(groups(rest))),
    ...movedTogether(down, 'down'),
  ]
  return told.toSorted((a, b) => placeOf(a, middle) - placeOf(b, middle))
}

/** The single highest of three or more, where it is no difficulty. */
function highest(facts: readonly RatedFact[]): RatedFact | null {
  const [best, next] = facts.toSorted((a, b) => tierRank(b.level.tier) - tierRank(a.level.tier))
  if (facts.length < 3 || !best || !next || directionOf(best.level.tier) === 'difficulty') return null
  return tierRank(best.level.tier) > tierRank(next.level.tier) ? best : null
}

/** What moved from one level to one other goes together, in parts of three at most. */
function movedTogether(facts: readonly RatedFact[], relation: 'up' | 'down'): Telling[] {
  const byMove = groupBy(facts, ({ moved, level }) => `${moved} ${level.tier}`)
  const parts = flatMap([...byMove.values()], (alike) =>
    inParts(alike).map((part): Telling => ({ relation, facts: part })),
  )
  return joinedLevels(parts)
}

/** Two skills that stand alone, at two levels that point the same way, in one sentence: once, where there is room. */
function joinedLevels(told: readonly Telling[]): Telling[] {
  const at = told.findIndex((telling, nth) => mayBeTwo(telling, told[nth + 1]))
  const pair = flatMap(told.slice(at, at + 2), ({ facts }) => facts)
  return at < 0 ? [...told] : [...told.slice(0, at), { relation: 'two levels', facts: pair }, ...told.slice(at + 2)]
}

function mayBeTwo(one: Telling, next: Telling | undefined): boolean {
  const [high, low] = [...one.facts, ...(next?.facts ?? [])]
  return (
    high !== undefined &&
    low !== undefined &&
    next?.relation === one.relation &&
    one.facts.length + next.facts.length === 2 &&
    (one.relation === 'level' || high.moved === low.moved) &&
    high.level.tier !== low.level.tier &&
    directionOf(high.level.tier) === directionOf(low.level.tier) &&
    wordsIn([high, low]) <= mostWordsOfSkills &&
    ![high, low].some(isList)
  )
}

/** In parts that can be read in one breath: three at most, and of few words; what is a list by itself stands alone. */
function inParts(facts: readonly RatedFact[]): RatedFact[][] {
  const parts: RatedFact[][] = []
  for (const fact of facts) {
    const last = parts.at(-1)
    const all = [...(last ?? []), fact]
    const fits =
      all.length <= mostTogether &&
      wordsIn(all) <= (fact.kind === 'habit' ? mostWords : mostWordsOfSkills) &&
      !all.some(isList)
    if (last && fits) parts[parts.length - 1] = all
    else parts.push([fact])
  }
  return parts
}

function wordsIn(facts: readonly RatedFact[]): number {
  return facts.reduce((count, { words }) => count + (words ? countOfWords(words) : 1), 0)
}

const countOfWords = memoize(({ does }: SkillWords) => does.split(' ').length)

/** "Writes to explain, with facts and examples": in a list with others nobody would find its end. */
function isList({ words, kind }: RatedFact): boolean {
  return kind === 'skill' && (words?.does ?? '').includes(',')
}

function isAlike(a: RatedFact, b: RatedFact): boolean {
  return a.level.tier === b.level.tier
}

/** Those at one tier together, in parts of three at most; the best first. */
function groups(facts: readonly RatedFact[]): RatedFact[][] {
  const byTier = groupBy(facts, ({ level }) => level.tier)
  return flatMap(
    [...byTier.values()].toSorted((a, b) => rankOf(b) - rankOf(a)),
    inParts,
  )
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

/** Habits from the best score down: what moved by itself, two scores in one sentence where there is room. */
function habitsInOrder(facts: readonly RatedFact[]): Telling[] {
  const habits = facts.filter(({ kind }) => kind === 'habit')
  const moved = habits.filter((each) => each.moved !== 0).map((each) => [each])
  const still = groups(habits.filter((each) => each.moved === 0))
  const joined: RatedFact[][] = []
  for (const group of still) {
    const last = joined.at(-1)
    if (last && mayShare(last, group)) joined[joined.length - 1] = [...last, ...group]
    else joined.push(group)
  }
  return [...joined, ...moved]
    .toSorted((a, b) => rankOf(b) - rankOf(a))
    .map((each): Telling => ({ relation: 'habits', facts: each }))
}

/** Two scores make one sentence: no three, and no more than can be read in one breath. */
function mayShare(last: readonly RatedFact[], group: readonly RatedFact[]): boolean {
  const all = [...last, ...group]
  const scores = new Set(all.map(({ level }) => level.tier)).size
  return (
    scores === 2 &&
    scores > new Set(last.map(({ level }) => level.tier)).size &&
    all.length <= mostHabits &&
    wordsIn(all) <= mostWords
  )
}

function rankOf([first]: readonly RatedFact[]): number {
  return first ? tierRank(first.level.tier) : 0
}

/** The best first; what fell after what stands; what is a difficulty last, the lowest at the end. */
function placeOf({ relation, facts }: Telling, middle: number): number {
  const ranks = facts.map(({ level }) => tierRank(level.tier))
  const low = Math.min(...ranks)
  if (relation === 'stands out') return 0
  const [first] = facts
  const moved = Math.sign(first?.moved ?? 0)
  if (low < tierRank('sound')) return 100 - 10 * low - (moved > 0 ? 5 : relation === 'level' ? 0 : 3)
  if (moved < 0) return 50
  return 30 - (moved > 0 ? 20 : 0) - low - (first ? weightOf(first, middle) : 0)
}
