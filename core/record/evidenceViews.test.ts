import { describe, expect, it } from 'vitest'
import { quantileSorted } from 'simple-statistics'
import { exampleClass } from '../../tests/exampleClass'
import type { ClassRecord } from './classRecord'
import { categorySpreads, levelSpread, workSpreads } from './classSpread'
import { markProposal } from './markProposal'
import { needsALook } from './needsALook'
import { levelsOverTerms, termsSoFar } from './overTerms'
import { indexRecord } from './recordIndex'

const example = exampleClass()
/** The one there must be. @throws where it is not there */
function sure<T>(found: T | undefined): T {
  if (found === undefined) throw new Error('It is not there.')
  return found
}
const index = (change: Partial<ClassRecord> = {}) => indexRecord(exampleClass(change))
const work = (id: string, date: string) => ({ ...sure(example.work[0]), id, title: id, date })
const scored = (workId: string, score: number, studentId = '1') => ({
  ...{ workId, studentId, state: 'scored' as const, score, remark: '' },
})

it('levels over the terms of a year leave out another year’s, and say where none was settled', () => {
  const term = (id: string, name: string, yearId: string) => ({ ...example.term, id, name, yearId })
  const settled = { marks: [], habitScores: [], comments: [] }
  const earlier = [
    { term: term('t1', 'Autumn', 'y'), levels: [{ studentId: '1', about: 's1', symbol: '1' }], ...settled },
    { term: term('t0', 'Summer', 'x'), levels: [{ studentId: '1', about: 's1', symbol: '3' }], ...settled },
  ]
  const now = index({ earlier })
  expect(termsSoFar(now)).toEqual(['Autumn', 'Spring term'])
  expect([...levelsOverTerms(now, '1', 'skill')]).toEqual([
    ['s1', ['1', '2']],
    ['s2', [undefined, '1']],
    ['s3', [undefined, '1']],
  ])
  expect(levelsOverTerms(now, '2', 'habit').get('care')).toEqual([undefined, undefined])
})

describe('who needs a look', () => {
  const pieces = ['a', 'b', 'c', 'd', 'e', 'f'].map((id, at) => work(id, `2027-02-0${at + 1}`))
  const looks = (change: Partial<ClassRecord>) =>
    needsALook(index({ work: pieces, marks: [], ...change }), ['sums']).map((look) => [
      look.studentId,
      look.why,
      look.words,
    ])
  const results = (...scores: number[]) => scores.map((score, at) => scored(pieces[at]?.id ?? '', score))

  it('whose newer results lie far below the older ones, not who has few', () => {
    expect(looks({ results: results(8, 9, 8, 7, 6, 7) })).toEqual([
      ['1', 'falling', 'the last 3 results lie at 70 %, those before at 80 %'],
    ])
    expect(looks({ results: results(8, 9, 8, 8, 7, 8) })).toEqual([])
    expect(looks({ results: results(9, 9, 2, 2, 2) })).toEqual([])
  })

  it('whose work is missing, whose mark differs, and whose is far from last term’s', () => {
    const missing = { workId: 'b', studentId: '1', state: 'missing' as const, score: null, remark: '' }
    const settled = { studentId: '1', subject: 'sums', special: null, reason: null }
    const before = { marks: [{ ...settled, percent: 95 }], levels: [], habitScores: [], comments: [] }
    expect(
      looks({
        results: [...results(8), missing],
        marks: [{ ...settled, percent: 82 }],
        earlier: [{ term: { ...example.term, id: 't1', starts: '2026-09-01' }, ...before }],
      }),
    ).toEqual([
      ['1', 'missing work', 'a piece of work missing: b'],
      ['1', 'differs', 'settled at 82 %, the record adds up to 40 %'],
      ['1', 'far from last term', '82 %, last term 95 %'],
    ])
  })
})

it.each([
  [82, 92, ['82 %, last term 92 %']],
  [82, 91.5, []],
  [82, 72, ['82 %, last term 72 %']],
  // What is not settled is looked at as it is proposed: 75 %.
  [null, 85, ['75 %, last term 85 %']],
  [82, null, []],
])('a mark of %s beside last term’s %s: %j', (now, before, words) => {
  const settled = { studentId: '1', subject: 'sums', special: null, reason: null }
  const marks = (percent: number | null) => (percent === null ? [] : [{ ...settled, percent }])
  const term = { ...example.term, id: 't1', starts: '2026-09-01' }
  const earlier = [{ term, marks: marks(before), levels: [], habitScores: [], comments: [] }]
  const looks = needsALook(index({ marks: marks(now), earlier }), ['sums'])
  expect(looks.filter(({ why }) => why === 'far from last term').map((look) => look.words)).toEqual(words)
})

it('a mark that is settled without a figure, or beside nothing, differs from nothing', () => {
  const settled = { studentId: '1', subject: 'sums', reason: null }
  const differing = (change: Partial<ClassRecord>) =>
    needsALook(index(change), ['sums']).flatMap(({ why, words }) => (why === 'differs' ? [words] : []))
  expect(differing({ marks: [{ ...settled, percent: 60, special: null }] })).toEqual([
    'settled at 60 %, the record adds up to 75 %',
  ])
  expect(differing({ marks: [{ ...settled, percent: null, special: 'absent' }] })).toEqual([])
  // 75.6 reads 76, and is less than a point beside 75 and at the same level: no reason to look. 76 is one.
  expect(differing({ marks: [{ ...settled, percent: 75.6, special: null }] })).toEqual([])
  expect(differing({ marks: [{ ...settled, percent: 76, special: null }] })).toHaveLength(1)
  expect(differing({ marks: [{ ...settled, percent: 60, special: null }], results: [] })).toEqual([])
})

describe('how a class lies', () => {
  it('per piece of work, as simple-statistics finds its quantiles; what is missing lowers none', () => {
    const students = [1, 2, 3, 4, 5].map((id) => ({ ...sure(example.students[0]), id: String(id) }))
    const shares = [3, 9, 4, 8]
    const results = [
      ...shares.map((score, at) => scored('w1', score, String(at + 1))),
      { ...scored('w1', 0, '5'), state: 'missing' as const, score: null },
    ]
    const [line] = workSpreads(index({ students, results }), 'sums')
    const sorted = shares.map((score) => score * 10).sort((a, b) => a - b)
    // Its median is the one that every definition shares; the ends are the values themselves.
    expect(line).toMatchObject({ name: 'First quiz', count: 4, lowest: 30, highest: 90 })
    expect(line?.middle).toBe(quantileSorted(sorted, 0.5))
    const [category] = categorySpreads(index({ students, results }), 'sums')
    expect(category).toMatchObject({ name: 'Quizzes', count: 4, middle: 60 })
  })

  it('per level of a skill, with those that are open', () => {
    const now = index()
    const scale = sure(now.scale('skills'))
    expect(levelSpread(now, scale, { kind: 'skill', about: 's1' })).toEqual({
      about: 's1',
      levels: [
        { symbol: '3', count: 0 },
        { symbol: '2', count: 1 },
        { symbol: '1', count: 0 },
      ],
      open: 1,
    })
  })
})

describe('a class of any size', () => {
  const skill = { kind: 'skill' as const, about: 's1' }
  const classOf = (count: number) => {
    const [one] = example.students
    const students = Array.from({ length: count }, (_, at) => ({ ...sure(one), id: String(at + 1) }))
    const results = students.map(({ id }, at) => scored('w1', at % 11, id))
    const levels = students.map(({ id }) => ({ studentId: id, about: 's1', symbol: '2' }))
    return index({ students, results, levels, marks: [] })
  }

  it('of one child has a spread that is that child’s own, and a proposal', () => {
    const alone = classOf(1)
    expect(workSpreads(alone, 'sums').map(({ count, lowest, highest }) => [count, lowest, highest])).toEqual([
      [1, 0, 0],
    ])
    expect(levelSpread(alone, sure(example.scales[1]), skill)).toMatchObject({ open: 0 })
    expect(needsALook(alone, ['sums'])).toEqual([])
    expect(markProposal(alone, '1', 'sums').computed.percent).toBe(0)
  })

  // Thirty of them have 4 of 10 or less, thirty 5 or more.
  it('of sixty has everybody in it', () => {
    const many = classOf(60)
    expect(
      workSpreads(many, 'sums').map(({ count, lowest, middle, highest }) => [count, lowest, middle, highest]),
    ).toEqual([[60, 0, 45, 100]])
    const { levels, open } = levelSpread(many, sure(example.scales[1]), skill)
    expect([levels.reduce((sum, { count }) => sum + count, 0), open]).toEqual([60, 0])
  })
})
