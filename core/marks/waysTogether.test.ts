import { Decimal } from 'decimal.js'
import fc from 'fast-check'
import { mean, median as referenceMedian, modeFast } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { levelForPercent, scaleProblems, type Scale } from '../scales/scale'
import { decayingAverage, drawTogether } from './drawTogether'
import {
  markRulesSchema,
  mostSettled,
  passLineOf,
  rulesOfSubject,
  usualMarkRules,
  usualSchoolMarkRules,
  withTermsAs,
  type MarkRules,
} from './markRules'
import { roundHalfUp } from './rounding'
import { termMark } from './termMark'
import type { Category, PieceOfWork, Result } from './work'

const piece = (id: string, category: string, outOf = 100, counts = true): PieceOfWork => ({
  ...{ id, title: id, category, date: null, outOf, weight: 1, counts },
})
const scored = (workId: string, score: number): Result => ({ workId, state: 'scored', score })
const rules = (change: Partial<MarkRules>): MarkRules => ({ ...usualMarkRules, ...change })
const items = (values: readonly number[]) => values.map((value) => ({ value, weight: 1 }))

it('settles up to the whole, and with extra credit a fifth above it', () => {
  expect([mostSettled(rules({})), mostSettled(rules({ extraCredit: true }))]).toEqual([100, 120])
})

describe('what a category comes to', () => {
  // NIST/SEMATECH e-Handbook of Statistical Methods, 6.4.3.1, single exponential smoothing with a weight of 0.1: the
  // published table, from memory. Its S(t) smooths what came before t.
  it('the newer the heavier: the published worked example', () => {
    const published = [71, 70, 69, 68, 64, 65, 72, 78, 75, 75, 75]
    const smoothed = [71, 70.9, 70.71, 70.44, 69.8, 69.32, 69.58, 70.43, 70.88, 71.29, 71.67]
    smoothed.forEach((value, at) => {
      expect(roundHalfUp(decayingAverage(published.slice(0, at + 1), 0.1) ?? 0, 2)).toBeCloseTo(value, 1)
    })
  })
  it('the newer the heavier, by hand: 0.65 × 80 + 0.35 × (0.65 × 60 + 0.35 × 40) = 70.55', () => {
    expect(decayingAverage([40, 60, 80], 0.65)).toBeCloseTo(70.55, 10)
    expect(decayingAverage([], 0.65)).toBeNull()
    const asChosen = rules({ together: 'recency weighted', newestWeighs: 65 })
    expect(drawTogether(items([40, 60, 80]), asChosen)).toBeCloseTo(70.55, 10)
  })
  it('most recent, middle and mean agree with simple-statistics; a weight of 0 leaves out', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 30 }), (values) => {
        const by = (together: MarkRules['together']) => drawTogether(items(values), rules({ together }))
        expect(by('most recent')).toBe(values.at(-1))
        expect(by('median')).toBeCloseTo(referenceMedian(values), 10)
        expect(by('mean')).toBeCloseTo(mean(values), 10)
        const newest = new Set(values).size === 1
        if (newest) expect(by('most frequent')).toBe(modeFast(values))
      }),
    )
    const weighed = [...items([50]), { value: 100, weight: 0 }]
    expect(drawTogether(weighed, rules({ together: 'most recent' }))).toBe(50)
  })
  it('most frequent: the middle of the results at the level reached most often, ties to the more recent', () => {
    expect(drawTogether(items([95, 82, 86, 71, 74]), rules({ together: 'most frequent' }), ontario)).toBe(86)
    expect(drawTogether(items([82, 84, 71, 74]), rules({ together: 'most frequent' }), ontario)).toBe(72.5)
  })
})

describe('late, exams, passes', () => {
  const categories: Category[] = [
    { key: 'term', name: 'Term work', weight: 1, isExam: false },
    { key: 'exam', name: 'Final Exam', weight: 1, isExam: true },
  ]
  const late: Result = { workId: 'a', state: 'late', score: 80 }
  it.each([
    ['counts as it is', 80],
    ['loses some', 72],
    ['is left out', null],
  ] as const)('a late 80 %% %s: %s', (how, percent) => {
    expect(termMark([piece('a', 'term')], [late], categories, rules({ late: how })).percent).toBe(percent)
    // What came in time is never touched by it.
    expect(termMark([piece('a', 'term')], [scored('a', 80)], categories, rules({ late: how })).percent).toBe(80)
  })
  it('an exam is told as one only where exams weigh apart', () => {
    const told = (exam: { weighs: number } | null) =>
      termMark(
        [piece('a', 'term'), piece('x', 'exam')],
        [scored('a', 70), scored('x', 85)],
        categories,
        rules({ exam }),
      ).categories.map(({ isExam }) => isExam)
    expect(told({ weighs: 40 })).toEqual([false, true])
    expect(told(null)).toEqual([false, false])
  })
  it('an exam weighs two fifths: 0.6 × 70 + 0.4 × 85 = 76, by categories and by points', () => {
    const work = [piece('a', 'term'), piece('b', 'term', 50), piece('x', 'exam', 20)]
    const results = [scored('a', 70), scored('b', 35), scored('x', 17)]
    const exam = { weighs: 40 }
    for (const method of ['by category', 'by points'] as const) {
      const mark = termMark(work, results, categories, rules({ exam, method }))
      expect(mark.percent).toBeCloseTo(76, 10)
      expect(mark.categories.map(({ share }) => share)).toEqual([0.6, 0.4])
    }
    // Before the exam is written, the term's work is the mark; and the other way round.
    expect(termMark(work, results.slice(0, 2), categories, rules({ exam })).percent).toBeCloseTo(70, 10)
    expect(termMark(work, results.slice(2), categories, rules({ exam })).percent).toBeCloseTo(85, 10)
  })
  it('weights of 0 count nothing, of 130 what they are among the others', () => {
    const work = [piece('a', 'term'), piece('x', 'exam')]
    const results = [scored('a', 60), scored('x', 90)]
    const weighing = (term: number, exam: number) =>
      categories.map((each) => ({ ...each, weight: each.key === 'term' ? term : exam }))
    const nothing = termMark(work, results, weighing(0, 0), usualMarkRules)
    expect([nothing.percent, ...nothing.categories.map(({ share }) => share)]).toEqual([null, 0, 0])
    expect(termMark(work, results, weighing(130, 0), usualMarkRules).percent).toBe(60)
    expect(termMark(work, results, weighing(130, 65), usualMarkRules).percent).toBeCloseTo(70, 10)
  })
  it('a pass begins where the school says, else where is common, and it is told which', () => {
    expect(passLineOf(rules({ passLine: 40 }))).toEqual({ percent: 40, isOwn: true })
    expect(passLineOf(usualMarkRules)).toEqual({ percent: 50, isOwn: false })
  })
  it('a subject may do otherwise; rules from before there was such a thing are as usual', () => {
    const { missing, method, letterFrom, decimals } = usualMarkRules
    const school = markRulesSchema.parse({
      ...{ missing, method, letterFrom, decimals: decimals + 1 },
      bySubject: { art: { together: 'most recent' } },
    })
    expect(rulesOfSubject(school, 'art')).toEqual(rules({ together: 'most recent', decimals: 1 }))
    expect(rulesOfSubject({ missing, method, letterFrom, decimals }, 'art')).toEqual(usualMarkRules)
  })
  it('a next year’s terms weigh what those weighed that they follow', () => {
    const bySubject = { art: { termWeights: { spring: 5 } }, sums: { decimals: 2 } }
    const school = { ...usualSchoolMarkRules, termWeights: { autumn: 2, summer: 0 }, bySubject }
    const next = withTermsAs(school, new Map(['autumn', 'spring'].map((term) => [term, `next ${term}`])))
    expect(next).toEqual({
      ...{ ...school, termWeights: { 'next autumn': 2 } },
      bySubject: { ...bySubject, art: { termWeights: { 'next spring': 5 } } },
    })
  })
})

// Source: decimal.js (npm), arithmetic in decimals.
describe('rounding against decimal arithmetic', () => {
  it('a mean of results is rounded half up as it is on paper, never by how it is written in binary', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc
            .integer({ min: 1, max: 60 })
            .chain((outOf) => fc.tuple(fc.integer({ min: 0, max: outOf }), fc.constant(outOf))),
          { minLength: 1, maxLength: 12 },
        ),
        fc.integer({ min: 0, max: 3 }),
        (results, decimals) => {
          const work = results.map(([, outOf], at) => piece(`w${at}`, 'k', outOf))
          const given = results.map(([score], at) => scored(`w${at}`, score))
          const { percent } = termMark(work, given, [{ key: 'k', name: 'k', weight: 1, isExam: false }], usualMarkRules)
          // All on one denominator, so that nothing is lost before the one division.
          const denominator = results.reduce((all, [, outOf]) => all.times(outOf), new Exact(1))
          const whole = results.reduce(
            (sum, [score, outOf]) => sum.plus(denominator.div(outOf).times(score)),
            new Exact(0),
          )
          const exact = whole.times(100).div(denominator.times(results.length))
          expect(roundHalfUp(percent ?? -1, decimals)).toBe(
            exact.toDecimalPlaces(decimals, Decimal.ROUND_HALF_UP).toNumber(),
          )
        },
      ),
      { numRuns: 2000 },
    )
  })
  it('79.1, 79.5 and 79.9 come to 80, however they are written in binary', () => {
    const work = ['a', 'b', 'c'].map((id) => piece(id, 'k', 10))
    const results = [scored('a', 7.91), scored('b', 7.95), scored('c', 7.99)]
    const { percent } = termMark(work, results, [{ key: 'k', name: 'k', weight: 1, isExam: false }], usualMarkRules)
    expect([roundHalfUp(percent ?? 0), roundHalfUp(79.49999999999999)]).toEqual([80, 80])
  })
})
const Exact = Decimal.clone({ precision: 80 })

// Boundaries as education authorities have published them, from memory: Ontario’s Growing Success (2010), levels 1 to
// 4; and India’s Central Board of Secondary Education, the eight points of its scholastic scale.
const scaleOf = (cuts: readonly (readonly [string, number])[]): Scale => ({
  ...{ key: 'k', name: 'published', kind: 'mark' },
  levels: cuts.map(([symbol, lowestPercent], at) => ({
    ...{ symbol, name: symbol, familySentence: '', lowestPercent },
    tier: at === 0 ? 'top' : at < cuts.length - 1 ? 'sound' : 'starting',
  })),
})
const ontario = scaleOf([
  ['4', 80],
  ['3', 70],
  ['2', 60],
  ['1', 50],
  ['R', 0],
])
const board = scaleOf([
  ['A1', 91],
  ['A2', 81],
  ['B1', 71],
  ['B2', 61],
  ['C1', 51],
  ['C2', 41],
  ['D', 33],
  ['E', 0],
])
describe('published boundaries', () => {
  it.each([
    [ontario, { 100: '4', 80: '4', 79: '3', 70: '3', 69: '2', 60: '2', 59: '1', 50: '1', 49: 'R', 0: 'R' }],
    [
      board,
      { 100: 'A1', 91: 'A1', 90: 'A2', 80: 'B1', 61: 'B2', 60: 'C1', 41: 'C2', 40: 'D', 33: 'D', 32: 'E', 0: 'E' },
    ],
  ])('are the scale’s own', (scale, expected) => {
    expect(scaleProblems(scale)).toEqual([])
    const found = Object.keys(expected).map((percent) => [percent, levelForPercent(scale, Number(percent))?.symbol])
    expect(Object.fromEntries(found)).toEqual(expected)
  })
})
