import { passLineOf, type MarkRules } from '../marks/markRules'
import { percentText, roundHalfUp } from '../marks/rounding'
import { markLevel } from '../marks/settledMark'
import { resultPercent, termMark, type CategoryMark } from '../marks/termMark'
import type { PieceOfWork, Result } from '../marks/work'
import type { RecordIndex } from './recordIndex'

/** One result, in words: what it is, and what it counts for. */
export interface StoryLine {
  readonly title: string
  readonly words: string
}

/** A part of a mark, with the results that it rests on, oldest first. */
export interface StoryPart {
  readonly name: string
  /** "70 %, the mean of 2 results, weighs 40 %" */
  readonly words: string
  readonly lines: readonly StoryLine[]
}

/** How a mark came about, in words. */
export interface MarkStory {
  /** The proposal: "93 % A"; null while nothing counts. */
  readonly proposal: string | null
  readonly parts: readonly StoryPart[]
  readonly leftOut: readonly StoryLine[]
  /** The sum and its rounding, with two decimals: all else is rounded as marks are shown. */
  readonly exact: readonly string[]
  /** The level and the pass, one sentence each. */
  readonly ends: readonly string[]
}

/**
 * How the mark of a student in a subject came about, down to each result, with what was left out and why.
 * @example markStory(index, 'maya', 'mathematics').exact[0] // '40 % × 70 % + 60 % × 90 % = 82 %'
 */
export function markStory(index: RecordIndex, studentId: string, subject: string): MarkStory {
  const [rules, scale] = [index.rulesOf(subject), index.markScaleOf(subject)]
  const [work, categories] = [index.workOf(subject), index.categoriesOf(subject)]
  const results = index.resultsOf(studentId, subject)
  const { percent, categories: marks } = termMark(work, results, categories, { ...rules, scale })
  const lines = linesOf(work, results, new Set(categories.map(({ key }) => key)), rules)
  const level = percent === null || !scale ? undefined : markLevel(percent, scale, rules)
  return {
    proposal: percent === null ? null : [percentText(percent, rules.decimals), level?.symbol].filter(Boolean).join(' '),
    parts: marks.map((mark) => ({
      name: mark.name,
      words: partInWords(mark, rules),
      lines: lines.flatMap(({ category, line }) => (category === mark.key ? [line] : [])),
    })),
    leftOut: lines.flatMap(({ category, line }) => (category === null ? [line] : [])),
    ends:
      percent === null
        ? [marks.length > 0 ? 'Every category here weighs 0, so nothing counts.' : 'Nothing counts yet.']
        : endsOf(percent, index, subject),
    exact: percent === null ? [] : exactly(marks, percent, rules),
  }
}

/** Each result with the category that it counts in; null where it is left out. */
function linesOf(
  work: readonly PieceOfWork[],
  results: readonly Result[],
  categories: ReadonlySet<string>,
  rules: MarkRules,
): { category: string | null; line: StoryLine }[] {
  const byWork = new Map(results.map((result) => [result.workId, result]))
  return work.flatMap((piece): { category: string | null; line: StoryLine }[] => {
    const result = byWork.get(piece.id)
    if (!result) return []
    const why = whyLeftOut(piece, result, categories, rules)
    if (why !== null) return [{ category: null, line: { title: piece.title, words: why } }]
    const percent = resultPercent(piece, result, rules) ?? 0
    return [
      { category: piece.category, line: { title: piece.title, words: resultInWords(piece, result, percent, rules) } },
    ]
  })
}

function whyLeftOut(
  { counts, category }: PieceOfWork,
  { state, score }: Result,
  categories: ReadonlySet<string>,
  rules: MarkRules,
): string | null {
  if (!counts) return 'only informs'
  if (!categories.has(category)) return 'stands in no category'
  if (state === 'excused' || state === 'incomplete') return state
  if (state === 'missing') return rules.missing === 'is left out' ? 'missing' : null
  if (state === 'late' && rules.late === 'is left out') return 'late'
  return score === null ? 'without a score' : null
}

function resultInWords(piece: PieceOfWork, { state, score }: Result, percent: number, rules: MarkRules): string {
  const weight = piece.weight === 1 ? '' : `, weighs ${plain(piece.weight)} times`
  if (state === 'missing') return `missing, counts as 0 %${weight}`
  const points = `${plain(score ?? 0)} of ${plain(piece.outOf)}`
  const lost = state === 'late' && rules.late === 'loses some' ? `, late: less ${plain(rules.lateLoss)} %` : ''
  const late = state === 'late' && lost === '' ? ', late' : ''
  return `${points}${late}${lost} = ${percentText(percent, rules.decimals)}${weight}`
}

const ways: Readonly<Record<MarkRules['together'], string>> = {
  'mean': 'the mean',
  'recency weighted': 'the newer the heavier',
  'most recent': 'the most recent',
  'most frequent': 'the level reached most often',
  'median': 'the middle',
}

function partInWords({ percent, share, pieces, isExam }: CategoryMark, rules: MarkRules): string {
  const of = pieces === 1 ? 'one result' : `${pieces} results`
  const way = rules.method === 'by points' ? 'by points' : ways[rules.together]
  const newest =
    rules.together === 'recency weighted' && rules.method !== 'by points'
      ? `, the newest ${plain(rules.newestWeighs)} %`
      : ''
  const how = pieces === 1 ? of : `${way}${newest}, of ${of}`
  return `${percentText(percent, rules.decimals)}, ${how}; ${isExam ? 'the exam ' : ''}weighs ${per(share * 100)}`
}

function exactly(marks: readonly CategoryMark[], percent: number, { decimals }: MarkRules): string[] {
  const terms = marks.map((mark) => `${per(mark.share * 100, 2)} × ${per(mark.percent, 2)}`)
  const isRounded = roundHalfUp(percent, decimals) !== percent
  return [
    ...(marks.length > 1 || isRounded ? [`${terms.join(' + ')} = ${per(percent, 2)}`] : []),
    ...(isRounded ? [`Rounded once, half up: ${percentText(percent, decimals)}.`] : []),
  ]
}

function endsOf(percent: number, index: RecordIndex, subject: string): string[] {
  const [rules, scale] = [index.rulesOf(subject), index.markScaleOf(subject)]
  const level = scale && markLevel(percent, scale, rules)
  const passes = passLineOf(rules)
  const reached = roundHalfUp(percent, rules.decimals) >= passes.percent
  const line = `${plain(passes.percent)} %${passes.isOwn ? '' : ', as is common: your school has not said'}`
  return [
    ...(level
      ? [
          `${level.symbol} (${level.name}) begins at ${plain(level.lowestPercent ?? 0)} %, ` +
            `read off the ${rules.letterFrom === 'rounded' ? 'rounded' : 'exact'} mark.`,
        ]
      : []),
    `${reached ? 'Reaches' : 'Does not reach'} the pass line (${line}).`,
  ]
}

/** @example per(70) // '70 %'; per(66.66) // '66.7 %' */
function per(percent: number, decimals = 1): string {
  return `${roundHalfUp(percent, decimals)} %`
}

/** A number without the zeros behind it. */
function plain(value: number): string {
  return String(roundHalfUp(value, 2))
}
