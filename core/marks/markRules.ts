import { z } from 'zod'

/** What the results of a category may be drawn together by. */
export const waysTogether = ['mean', 'recency weighted', 'most recent', 'most frequent', 'median'] as const
export type WayTogether = (typeof waysTogether)[number]

/** What a school decides about term marks. */
const rules = z.object({
  missing: z.enum(['counts as zero', 'is left out']),
  late: z.enum(['counts as it is', 'loses some', 'is left out']),
  /** Per cent of its score that a late result loses, where it loses some. */
  lateLoss: z.number().min(0).max(100),
  /** Each category, then the categories by their weights; or points scored over points possible. */
  method: z.enum(['by category', 'by points']),
  /** What the results of a category are drawn together by; of marks by points it is always the mean. */
  together: z.enum(waysTogether),
  /** Per cent that the newest result weighs where the newer weigh more; all before it weigh the rest. */
  newestWeighs: z.number().min(1).max(99),
  /** Work of a category that is the exam weighs apart from all other work; null where an exam weighs as all else. */
  exam: z
    .object({
      weighs: z.number().min(1, 'An exam weighs 1 per cent at least.').max(99, 'An exam weighs 99 per cent at most.'),
    })
    .nullable(),
  /** Whether the letter is read off the mark before or after it is rounded. */
  letterFrom: z.enum(['unrounded', 'rounded']),
  /** Decimals kept when the mark is shown. */
  decimals: z.number().int().min(0).max(3),
  /** Per cent from which a mark is a pass; null where the school has not said (then passLineOf). */
  passLine: z.number().min(0).max(100).nullable(),
  /** How much a term weighs in the year so far, by its id; one that is not there weighs 1. */
  termWeights: z.record(z.string().max(80), z.number().min(0, 'A term weighs 0 or more.').max(1000)),
  /** Whether a settled mark may be above 100 %. */
  extraCredit: z.boolean(),
})
export type MarkRules = Readonly<z.infer<typeof rules>>

export const usualMarkRules: MarkRules = {
  missing: 'counts as zero',
  late: 'counts as it is',
  lateLoss: 10,
  method: 'by category',
  together: 'mean',
  newestWeighs: 65,
  exam: null,
  letterFrom: 'unrounded',
  decimals: 0,
  passLine: null,
  termWeights: {},
  extraCredit: false,
}

/** The rules of a school, and what some of its subjects do otherwise; files from before a rule have it as usual. */
export const markRulesSchema = rules.extend({
  late: rules.shape.late.default(usualMarkRules.late),
  lateLoss: rules.shape.lateLoss.default(usualMarkRules.lateLoss),
  together: rules.shape.together.default(usualMarkRules.together),
  newestWeighs: rules.shape.newestWeighs.default(usualMarkRules.newestWeighs),
  exam: rules.shape.exam.default(usualMarkRules.exam),
  passLine: rules.shape.passLine.default(usualMarkRules.passLine),
  termWeights: rules.shape.termWeights.default(usualMarkRules.termWeights),
  extraCredit: rules.shape.extraCredit.default(usualMarkRules.extraCredit),
  bySubject: z.record(z.string().max(80), rules.partial()).default({}),
})
export type SchoolMarkRules = Readonly<z.infer<typeof markRulesSchema>>

export const usualSchoolMarkRules: SchoolMarkRules = { ...usualMarkRules, bySubject: {} }

/** The most that can be settled: with extra credit a mark may lie above the whole. */
export function mostSettled({ extraCredit }: MarkRules): number {
  return extraCredit ? 120 : 100
}

/** What schools that have not said otherwise commonly take for a pass. */
export const usualPassLine = 50

/** Where a pass begins, and whether the school itself has said so. */
export function passLineOf({ passLine }: MarkRules): { percent: number; isOwn: boolean } {
  return { percent: passLine ?? usualPassLine, isOwn: passLine !== null }
}

/**
 * The rules of one subject: the school's, with what the subject does otherwise; what a school wrote down before a rule
 * was thought of is as usual.
 * @example rulesOfSubject({ bySubject: { art: { together: 'median' } } }, 'art').together // 'median'
 */
export function rulesOfSubject(school: Partial<SchoolMarkRules>, subject: string): MarkRules {
  const { bySubject, ...own } = school
  return { ...usualMarkRules, ...own, ...bySubject?.[subject] }
}

/**
 * The rules with their terms under other ids: those of the year that is made from theirs, or what the terms are called
 * in a file. A term that has no other is left out.
 * @example withTermsAs({ …, termWeights: { t1: 2 } }, new Map([['t1', 'Autumn term']])).termWeights
 * // { 'Autumn term': 2 }
 */
export function withTermsAs(school: SchoolMarkRules, idOf: ReadonlyMap<string, string>): SchoolMarkRules {
  const moved = (weights: MarkRules['termWeights']): MarkRules['termWeights'] =>
    Object.fromEntries(
      Object.entries(weights).flatMap(([term, weight]) => {
        const id = idOf.get(term)
        return id === undefined ? [] : [[id, weight] as const]
      }),
    )
  const bySubject = Object.entries(school.bySubject).map(
    ([subject, own]) => [subject, own.termWeights ? { ...own, termWeights: moved(own.termWeights) } : own] as const,
  )
  return { ...school, termWeights: moved(school.termWeights), bySubject: Object.fromEntries(bySubject) }
}
