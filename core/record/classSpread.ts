import { median, quantile } from '../marks/middle'
import { resultPercent } from '../marks/termMark'
import type { Scale } from '../scales/scale'
import { weightedMean } from '../marks/weightedMean'
import { scaleOfLevel } from '../school/scaleOfLevel'
import type { RecordIndex } from './recordIndex'
import { takersOf } from './takers'
import type { LevelKind } from './termRecord'

/** How a class's percentages lie: the lowest, the middle half, the middle, the highest. */
export interface Spread {
  readonly key: string
  readonly name: string
  /** How many results there are. */
  readonly count: number
  readonly lowest: number
  readonly low: number
  readonly middle: number
  readonly high: number
  readonly highest: number
}

/** How many of a class are at each level of a scale, best first; and how many are not settled. */
export interface LevelSpread {
  readonly about: string
  readonly levels: readonly { readonly symbol: string; readonly count: number }[]
  readonly open: number
}

/** How results of a subject lie, a line for each piece of work, oldest first; work without results is left out. */
export function workSpreads(index: RecordIndex, subject: string): Spread[] {
  const rules = index.rulesOf(subject)
  return index.workOf(subject).flatMap((piece) => {
    const percents = [...index.resultsOfWork(piece.id).values()].flatMap((result) => {
      // What is missing may count as zero in a mark; how the work went is told by those who did it.
      return (result.state === 'missing' ? null : resultPercent(piece, result, rules)) ?? []
    })
    return spreadOf({ key: piece.id, name: piece.title }, percents) ?? []
  })
}

/** How each category went: of each child the mean of what they did of it. */
export function categorySpreads(index: RecordIndex, subject: string): Spread[] {
  const rules = index.rulesOf(subject)
  return index.categoriesOf(subject).flatMap((category) => {
    const pieces = index.workOf(subject).filter((piece) => piece.category === category.key)
    const means = index.record.students.flatMap(({ id }) => {
      const items = pieces.flatMap((piece) => {
        const result = index.resultOf(piece.id, id)
        const percent = result && result.state !== 'missing' ? resultPercent(piece, result, rules) : null
        return percent === null ? [] : [{ value: percent, weight: piece.weight }]
      })
      return weightedMean(items) ?? []
    })
    return spreadOf({ key: category.key, name: category.name }, means) ?? []
  })
}

function spreadOf({ key, name }: { key: string; name: string }, percents: readonly number[]): Spread | null {
  const [low, middle, high] = [quantile(percents, 0.25), median(percents), quantile(percents, 0.75)]
  if (low === null || middle === null || high === null) return null
  const [lowest, highest] = [Math.min(...percents), Math.max(...percents)]
  return { key, name, count: percents.length, lowest, low, middle, high, highest }
}

/**
 * How many of the class are at each level of a skill or habit.
 * @example levelSpread(index, scale, { kind: 'skill', about: 's1' }).levels[0] // { symbol: '3', count: 1 }
 */
export function levelSpread(
  { record, levelOf }: RecordIndex,
  scale: Scale,
  { kind, about }: { kind: LevelKind; about: string },
): LevelSpread {
  const counts = new Map<string | undefined, number>()
  for (const { id } of takersOf(record.students, scaleOfLevel(record, { kind, about }).subject)) {
    const symbol = levelOf(id, kind, about)
    counts.set(symbol, (counts.get(symbol) ?? 0) + 1)
  }
  return {
    about,
    levels: scale.levels.map(({ symbol }) => ({ symbol, count: counts.get(symbol) ?? 0 })),
    open: counts.get(undefined) ?? 0,
  }
}
