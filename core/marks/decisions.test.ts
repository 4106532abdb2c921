import { describe, expect, it } from 'vitest'
import type { Scale } from '../scales/scale'
import { usualMarkRules, type MarkRules } from './markRules'
import { markLevel, movedFrom, agreementOf } from './settledMark'
import { resultPercent, termMark } from './termMark'
import type { Category, PieceOfWork, Result } from './work'

// What a school decides, each with the figure it changes. Common practice, worked by hand.
const categories: Category[] = [{ key: 'quiz', name: 'Quizzes', weight: 1, isExam: false }]
const piece = (id: string, outOf: number, weight = 1, category = 'quiz'): PieceOfWork => ({
  id,
  title: id,
  category,
  date: null,
  outOf,
  weight,
  counts: true,
})
const scored = (workId: string, score: number): Result => ({ workId, state: 'scored', score })
const rules = (change: Partial<MarkRules>): MarkRules => ({ ...usualMarkRules, ...change })
const scale: Scale = {
  key: 'm',
  name: 'Marks',
  kind: 'mark',
  levels: [
    { symbol: 'A', name: 'a', familySentence: '', tier: 'top', lowestPercent: 80 },
    { symbol: 'B', name: 'b', familySentence: '', tier: 'sound', lowestPercent: 0 },
  ],
}

describe('the weight of a piece of work', () => {
  const work = [piece('q1', 20, 2), piece('q2', 10)]
  const results = [scored('q1', 16), scored('q2', 6)]
  it('counts inside its category: (2 × 80 + 60) / 3 = 73.33', () => {
    expect(termMark(work, results, categories, usualMarkRules).percent).toBeCloseTo(220 / 3, 10)
  })
  it('counts by points too: (80 × 40 + 60 × 10) / 50 = 76', () => {
    expect(termMark(work, results, categories, rules({ method: 'by points' })).percent).toBeCloseTo(76, 10)
  })
  it('the share of a category by points is that of its weighted points', () => {
    const two = [...categories, { key: 'project', name: 'Projects', weight: 9, isExam: false }]
    const mark = termMark([...work, piece('p', 50, 1, 'project')], [...results, scored('p', 25)], two, {
      ...rules({ method: 'by points' }),
    })
    expect(mark.categories.map(({ key, share, pieces }) => [key, share, pieces])).toEqual([
      ['quiz', 0.5, 2],
      ['project', 0.5, 1],
    ])
    expect(mark.percent).toBeCloseTo(63, 10)
  })
})

describe('one result', () => {
  it.each<[string, Result, MarkRules['missing'], number | null]>([
    ['over the maximum is over 100 %', scored('w', 24), 'counts as zero', 120],
    ['excused with a score is still excused', { workId: 'w', state: 'excused', score: 9 }, 'counts as zero', null],
    ['incomplete with a score is still open', { workId: 'w', state: 'incomplete', score: 9 }, 'counts as zero', null],
    ['missing with a score is missing: zero', { workId: 'w', state: 'missing', score: 9 }, 'counts as zero', 0],
    ['missing may be left out', { workId: 'w', state: 'missing', score: null }, 'is left out', null],
    ['late without a score is none', { workId: 'w', state: 'late', score: null }, 'counts as zero', null],
    ['late with a score counts', { workId: 'w', state: 'late', score: 5 }, 'counts as zero', 25],
  ])('%s', (_what, result, missing, percent) => {
    expect(resultPercent(piece('w', 20), result, rules({ missing }))).toBe(percent)
  })
  it('in a category that the class does not have is left out, and said to be', () => {
    const mark = termMark([piece('w', 20, 1, 'gone')], [scored('w', 9)], categories, usualMarkRules)
    expect(mark).toEqual({ percent: null, categories: [], counted: 0, leftOut: 1 })
  })
})

describe('the letter', () => {
  it.each<[MarkRules['letterFrom'], number, number, string]>([
    ['unrounded', 0, 79.6, 'B'],
    ['rounded', 0, 79.6, 'A'],
    ['rounded', 0, 79.4, 'B'],
    ['rounded', 1, 79.94, 'B'],
    ['rounded', 1, 79.95, 'A'],
    ['unrounded', 0, 80, 'A'],
  ])('from the %s mark at %i decimals of %d is %s', (letterFrom, decimals, percent, symbol) => {
    expect(markLevel(percent, scale, rules({ letterFrom, decimals }))?.symbol).toBe(symbol)
  })
})

describe('a settled mark beside the proposal', () => {
  const settled = { percent: 80, special: null, reason: null }
  it.each([
    [0, 79.6, 'as proposed'],
    [1, 79.6, 'differs'],
    [0, 79.4, 'differs'],
  ] as const)('at %i decimals, %d proposed: %s', (decimals, proposal, agreement) => {
    expect(agreementOf(proposal, settled, rules({ decimals }))).toBe(agreement)
  })
  it('differs where nothing is proposed, or where neither a percentage nor a special value stands', () => {
    expect(agreementOf(null, settled, usualMarkRules)).toBe('without a record')
    for (const proposal of [80, 0])
      expect(agreementOf(proposal, { ...settled, percent: null }, usualMarkRules)).toBe('differs')
  })
})

describe('a proposal that has moved since', () => {
  it.each([
    [81, 74, 74],
    [74.4, 74, null],
    [81, null, null],
    [81, undefined, null],
    [null, 74, null],
  ] as const)('%s now, %s then: from %s', (now, proposed, from) => {
    const settled = { percent: 70, special: null, reason: 'own', ...(proposed !== undefined && { proposed }) }
    expect(movedFrom(now, settled, usualMarkRules)).toBe(from)
  })
  it('is no question where nothing is settled', () => {
    expect([0, 81].map((now) => movedFrom(now, undefined, usualMarkRules))).toEqual([null, null])
  })
})
