import { memoize } from '../memoize'
import { tierRank, type Tier } from './tier'

/** One step of a scale, as the school words it. */
export interface Level {
  /** What is written in a grid and on the report: "3", "B", "E". */
  readonly symbol: string
  readonly name: string
  /** The level in a sentence that a family can read. */
  readonly familySentence: string
  readonly tier: Tier
  /** Marks only: the percentage from which this level is reached; null on skill and habit scales. */
  readonly lowestPercent: number | null
}

export type ScaleKind = 'mark' | 'skill' | 'habit'

/** An ordered set of levels, best first. */
export interface Scale {
  readonly key: string
  readonly name: string
  readonly kind: ScaleKind
  readonly levels: readonly Level[]
}

/**
 * The level with this symbol, whatever the case it was typed in; undefined when the scale has none.
 * @example findLevel(marks, ' b ')?.symbol // 'B'
 */
export function findLevel(scale: Scale, symbol: string): Level | undefined {
  const found = levelsFound(scale)
  if (!found.has(symbol)) {
    const wanted = symbol.trim().toLocaleLowerCase('en')
    found.set(
      symbol,
      scale.levels.find((level) => level.symbol.toLocaleLowerCase('en') === wanted),
    )
  }
  return found.get(symbol)
}

/** By the symbol as it is written: a record has few, each of them thousands of times. */
const levelsFound = memoize<Scale, Map<string, Level | undefined>>(() => new Map())

/**
 * How a level is drawn: so many strokes filled out of the scale's length.
 * The lowest level has one stroke, so that "low" never looks like "nothing known".
 *
 * @example strokesOf(threeLevels, '2') // { filled: 2, of: 3 }
 */
export function strokesOf(scale: Scale, symbol: string): { filled: number; of: number } {
  const place = scale.levels.findIndex((level) => level.symbol === symbol)
  return { filled: place < 0 ? 0 : scale.levels.length - place, of: scale.levels.length }
}

/**
 * The highest level whose cut-off the percentage reaches (common practice; a cut-off is reached by equality).
 * @param percent 0 to 100, or more where extra credit was given
 * @returns undefined when the scale has no cut-off that low
 * @example levelForPercent(marks, 79.999)?.symbol // 'B' where A begins at 80
 */
export function levelForPercent(scale: Scale, percent: number): Level | undefined {
  return scale.levels.find((level) => level.lowestPercent !== null && percent >= level.lowestPercent)
}

/**
 * What is wrong with a scale, in sentences for the person who wrote it; empty when it can be used.
 *
 * @example scaleProblems(twoLevelsOfOneSymbol) // ['Scale “Skills” has two levels with the symbol “3”.']
 */
export function scaleProblems(scale: Scale): string[] {
  const problems: string[] = []
  const called = `Scale “${scale.name}”`
  if (scale.levels.length < 2) problems.push(`${called} needs two levels at least.`)
  const seen = new Set<string>()
  for (const level of scale.levels) {
    const symbol = level.symbol.toLocaleLowerCase('en')
    if (symbol === '') problems.push(`${called} has a level without a symbol${level.name && ` (${level.name})`}.`)
    else if (seen.has(symbol)) problems.push(`${called} has two levels with the symbol “${level.symbol}”.`)
    seen.add(symbol)
  }
  for (const [better, worse] of pairsInOrder(scale.levels)) {
    if (tierRank(better.tier) < tierRank(worse.tier)) {
      problems.push(
        `${called}: “${better.symbol}” stands above “${worse.symbol}”, but is less far on ` +
          `(${better.tier} and ${worse.tier}).`,
      )
    }
    if (better.lowestPercent !== null && worse.lowestPercent !== null && better.lowestPercent <= worse.lowestPercent) {
      problems.push(
        `${called}: “${better.symbol}” from ${better.lowestPercent} % is not above ` +
          `“${worse.symbol}” from ${worse.lowestPercent} %.`,
      )
    }
  }
  if (scale.kind === 'mark') {
    for (const { symbol, lowestPercent } of scale.levels)
      if (lowestPercent === null)
        problems.push(`${called} is for marks, so “${symbol}” needs the lowest percentage that reaches it.`)
  }
  return problems
}

function pairsInOrder(levels: readonly Level[]): [Level, Level][] {
  return levels.slice(1).map((level, index) => [levels[index] ?? level, level])
}
