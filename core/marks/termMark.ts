import type { Scale } from '../scales/scale'
import { categoryShares } from './categoryShares'
import { drawTogether } from './drawTogether'
import type { MarkRules } from './markRules'
import type { Category, PieceOfWork, Result } from './work'
import { weightedMean, type Weighted } from './weightedMean'

export interface CategoryMark {
  readonly key: string
  readonly name: string
  readonly percent: number
  /** Its part of the term mark after empty categories dropped out, 0 to 1. */
  readonly share: number
  readonly pieces: number
  /** It is the exam, which weighs apart from the others. */
  readonly isExam: boolean
}

export interface TermMark {
  /** Unrounded percentage; null when nothing counts yet. */
  readonly percent: number | null
  readonly categories: readonly CategoryMark[]
  /** How many results the mark rests on, and how many were left out (excused, incomplete, only informing). */
  readonly counted: number
  readonly leftOut: number
}

/** The rules, with the scale of the subject's marks for the most frequent level. */
export type RulesOfMark = MarkRules & { readonly scale?: Scale | undefined }

/**
 * The mark that a term's results add up to.
 *
 * Formula (a fact of the trade): weighted mean of category means, each category being the weighted mean of its
 * results' percentages, or what else the school draws them together by. Excused results leave both sides. A category
 * with nothing in it drops out, and the other weights are scaled up. An exam weighs its part of the whole, all else the
 * rest; where either is still empty, the other is the mark. Missing counts as zero or is left out, as the school
 * decides. Nothing is rounded here.
 *
 * @param work oldest first
 * @param results of one student; work without a result is not held against them
 * @example quizzes 16/20 and 6/10, weight 40; a project 45/50, weight 60: 0.4 × 70 + 0.6 × 90 = 82
 */
export function termMark(
  work: readonly PieceOfWork[],
  results: readonly Result[],
  categories: readonly Category[],
  rules: RulesOfMark,
): TermMark {
  const byWork = new Map(results.map((result) => [result.workId, result]))
  const perCategory = new Map<string, Weighted[]>(categories.map((category) => [category.key, []]))
  let counted = 0
  let leftOut = 0
  for (const piece of work) {
    const result = byWork.get(piece.id)
    if (!result) continue
    const percent = piece.counts ? resultPercent(piece, result, rules) : null
    const list = perCategory.get(piece.category)
    if (percent === null || !list) {
      leftOut += 1
      continue
    }
    counted += 1
    list.push({ value: percent, weight: rules.method === 'by points' ? piece.outOf * piece.weight : piece.weight })
  }
  const marks = categoryMarks(categories, perCategory, rules)
  return {
    percent: weightedMean(marks.map((mark) => ({ value: mark.percent, weight: mark.share }))),
    categories: marks,
    counted,
    leftOut,
  }
}

/**
 * One result as a percentage of what was possible, or null when it does not enter the mark.
 * @example resultPercent({ …, outOf: 20 }, { …, state: 'late', score: 5 }, usualMarkRules) // 25
 */
export function resultPercent(work: PieceOfWork, result: Result, rules: MarkRules): number | null {
  if (result.state === 'excused' || result.state === 'incomplete') return null
  if (result.state === 'missing') return rules.missing === 'counts as zero' ? 0 : null
  if (result.score === null || (result.state === 'late' && rules.late === 'is left out')) return null
  const whole = (result.score / work.outOf) * 100
  return result.state === 'late' && rules.late === 'loses some' ? whole * (1 - rules.lateLoss / 100) : whole
}

function categoryMarks(
  categories: readonly Category[],
  perCategory: ReadonlyMap<string, Weighted[]>,
  rules: RulesOfMark,
): CategoryMark[] {
  const byPoints = rules.method === 'by points'
  const filled = categories.flatMap((category) => {
    const items = perCategory.get(category.key) ?? []
    const percent = byPoints ? weightedMean(items) : drawTogether(items, rules, rules.scale)
    // By points, a category weighs what its points weigh.
    const weight = byPoints ? items.reduce((sum, item) => sum + item.weight, 0) : category.weight
    return percent === null ? [] : [{ ...category, percent, weight, pieces: items.length }]
  })
  const shares = categoryShares(filled, rules.exam)
  return filled.map(({ key, name, percent, pieces, isExam }, at) => ({
    key,
    name,
    percent,
    pieces,
    share: shares[at] ?? 0,
    isExam: isExam && rules.exam !== null,
  }))
}
