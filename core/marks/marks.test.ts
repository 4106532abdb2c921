import fc from 'fast-check'
import { mean, median as referenceMedian, quantile as referenceQuantile } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { markText } from './markText'
import { standsOut } from './standsOut'
import { median, mostFrequent, quantile } from './middle'
import { roundHalfUp } from './rounding'
import { agreementOf } from './settledMark'
import { usualMarkRules } from './markRules'
import { termMark } from './termMark'
import { weightedMean } from './weightedMean'
import type { Category, PieceOfWork, Result } from './work'

const percents = fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 1, maxLength: 40 })

// Source: simple-statistics (npm), an independent library.
describe('means, medians and quantiles against simple-statistics', () => {
  it('a weighted mean is the plain mean of values repeated by their weights', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ value: fc.double({ min: 0, max: 100, noNaN: true }), weight: fc.integer({ min: 1, max: 6 }) }),
          { minLength: 1, maxLength: 30 },
        ),
        (items) => {
          const repeated = items.flatMap(({ value, weight }) => Array.from({ length: weight }, () => value))
          expect(weightedMean(items)).toBeCloseTo(mean(repeated), 8)
        },
      ),
    )
  })
  it('medians agree', () => {
    fc.assert(
      fc.property(percents, (values) => {
        expect(median(values)).toBeCloseTo(referenceMedian(values), 10)
      }),
    )
  })
  it('quantiles agree', () => {
    fc.assert(
      fc.property(percents, fc.constantFrom(0.1, 0.25, 0.5, 0.75, 0.9), (values, part) => {
        expect(quantile(values, part)).toBeCloseTo(referenceQuantile(values, part), 10)
      }),
    )
  })
})

const categories: Category[] = [
  { key: 'quiz', name: 'Quizzes', weight: 40, isExam: false },
  { key: 'project', name: 'Projects', weight: 60, isExam: false },
]
const piece = (id: string, category: string, outOf: number, counts = true): PieceOfWork => ({
  id,
  title: id,
  category,
  date: null,
  outOf,
  weight: 1,
  counts,
})
const scored = (workId: string, score: number): Result => ({ workId, state: 'scored', score })

// Common practice among teachers, worked by hand.
describe('the term mark', () => {
  const work = [
    piece('q1', 'quiz', 20),
    piece('q2', 'quiz', 10),
    piece('p1', 'project', 50),
    piece('info', 'quiz', 10, false),
  ]
  it('weighs category means: quizzes (80 + 60) / 2 = 70, project 90, so 0.4 × 70 + 0.6 × 90 = 82', () => {
    expect(
      termMark(work, [scored('q1', 16), scored('q2', 6), scored('p1', 45)], categories, usualMarkRules).percent,
    ).toBeCloseTo(82, 10)
  })
  it('by points: (16 + 6 + 45) / 80 = 83.75', () => {
    expect(
      termMark(work, [scored('q1', 16), scored('q2', 6), scored('p1', 45)], categories, {
        ...usualMarkRules,
        method: 'by points',
      }).percent,
    ).toBeCloseTo(83.75, 10)
  })
  it('drops an empty category and scales the others up', () => {
    const mark = termMark(work, [scored('q1', 16)], categories, usualMarkRules)
    expect(mark.percent).toBeCloseTo(80, 10)
    expect(mark.categories).toEqual([expect.objectContaining({ key: 'quiz', share: 1 })])
  })
  it('leaves excused and incomplete results and informing work on neither side', () => {
    const results: Result[] = [
      scored('q1', 16),
      { workId: 'q2', state: 'excused', score: null },
      { workId: 'p1', state: 'incomplete', score: null },
      scored('info', 1),
    ]
    expect(termMark(work, results, categories, usualMarkRules)).toMatchObject({ percent: 80, counted: 1, leftOut: 3 })
  })
  it('counts missing as zero, or leaves it out, as the school decides', () => {
    const results: Result[] = [scored('q1', 16), { workId: 'q2', state: 'missing', score: null }]
    expect(termMark(work, results, categories, usualMarkRules).percent).toBeCloseTo(40, 10)
    expect(termMark(work, results, categories, { ...usualMarkRules, missing: 'is left out' }).percent).toBeCloseTo(
      80,
      10,
    )
  })
  it('counts a late result with its score', () => {
    expect(
      termMark(work, [{ workId: 'q1', state: 'late', score: 10 }], categories, usualMarkRules).percent,
    ).toBeCloseTo(50, 10)
  })
  it('is nothing, not zero, when nothing counts', () => {
    expect(termMark(work, [], categories, usualMarkRules).percent).toBeNull()
  })
  it('never leaves the range of its results', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 12 }), (scores) => {
        const pieces = scores.map((_, at) => piece(`w${at}`, at % 3 === 0 ? 'quiz' : 'project', 20))
        const mark =
          termMark(
            pieces,
            scores.map((score, at) => scored(`w${at}`, score)),
            categories,
            usualMarkRules,
          ).percent ?? -1
        expect(mark).toBeGreaterThanOrEqual(Math.min(...scores) * 5 - 1e-9)
        expect(mark).toBeLessThanOrEqual(Math.max(...scores) * 5 + 1e-9)
      }),
    )
  })
})

describe('rounding, ties and standing', () => {
  it.each([
    [84.5, 0, 85],
    [84.49, 0, 84],
    [1.005, 2, 1.01],
    [0.125, 2, 0.13],
    [79.99999999999999, 0, 80],
  ])('%d at %d decimals is %d, half up', (value, decimals, rounded) => {
    expect(roundHalfUp(value, decimals)).toBe(rounded)
  })
  it.each([
    ['percent', 'B', '84 %'],
    ['letter', 'B', 'B'],
    ['letter', undefined, '84 %'],
    ['points', 'B', '16.8 of 20'],
  ] as const)('is shown as %s with the level %s: %s', (marksAs, symbol, shown) => {
    expect(markText(84.2, symbol, { marksAs, pointsOf: 20 })).toBe(shown)
  })
  it.each([
    [49.97, 0, null],
    [49.97, 1, null],
    [49.9, 1, 'low'],
    [49.97, null, 'low'],
    [50, null, null],
    [89.6, 0, 'high'],
    [89.6, null, null],
    [90, null, 'high'],
  ] as const)('%d, shown with %s decimals, stands out as %s', (percent, decimals, which) => {
    expect(standsOut(percent, { lowBelow: 50, highFrom: 90 }, decimals)).toBe(which)
    expect(standsOut(percent, { lowBelow: null, highFrom: null }, decimals)).toBeNull()
  })
  it('the most frequent level, ties going to the more recent', () => {
    expect(mostFrequent(['B', 'A', 'A', 'B'])).toBe('B')
    expect(mostFrequent(['B', 'B', 'A'])).toBe('B')
  })
  it('a settled mark differs when it reads differently, and not for hidden decimals', () => {
    const settled = { percent: 80, special: null, reason: null }
    expect(agreementOf(79.8, settled, usualMarkRules)).toBe('as proposed')
    expect(agreementOf(78, settled, usualMarkRules)).toBe('differs')
    expect(agreementOf(78, { percent: null, special: 'incomplete', reason: null }, usualMarkRules)).toBe('special')
    expect(agreementOf(78, undefined, usualMarkRules)).toBe('open')
  })
})
