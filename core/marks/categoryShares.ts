import type { MarkRules } from './markRules'

/** A category's weight, and whether it weighs apart. */
export interface WeighedCategory {
  readonly weight: number
  readonly isExam: boolean
}

/**
 * The part of the whole that each category weighs, 0 to 1: by their weights; where the school has an exam weigh apart,
 * exams share its part and all others the rest, and while there is only one sort, that is the whole.
 * @example categoryShares([{ weight: 1, isExam: false }, { weight: 9, isExam: true }], { weighs: 40 }) // [0.6, 0.4]
 */
export function categoryShares(categories: readonly WeighedCategory[], exam: MarkRules['exam']): number[] {
  const weighsApart = ({ isExam }: WeighedCategory): boolean => isExam && exam !== null
  const sum = (apart: boolean): number =>
    categories.reduce((all, each) => all + (weighsApart(each) === apart ? each.weight : 0), 0)
  const totals = { exam: sum(true), rest: sum(false) }
  const examPart = totals.exam === 0 ? 0 : totals.rest === 0 ? 1 : (exam?.weighs ?? 0) / 100
  return categories.map((each) => {
    const [part, total] = weighsApart(each) ? [examPart, totals.exam] : [1 - examPart, totals.rest]
    return total > 0 ? (each.weight / total) * part : 0
  })
}
