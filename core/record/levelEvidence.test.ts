import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { levelEvidence, levelShown, movedLevels, proposedLevels } from './levelEvidence'
import type { ClassRecord } from './classRecord'
import type { Observation } from './observations'
import { indexRecord } from './recordIndex'

const example = exampleClass()
const index = (change: Partial<ClassRecord> = {}) => indexRecord(exampleClass(change))
/** The one there must be. @throws where it is not there */
function sure<T>(found: T | undefined): T {
  if (found === undefined) throw new Error('It is not there.')
  return found
}
const question = (workId: string, number: number, about: string | null, outOf: number) => ({
  ...{ workId, number, words: '', skill: about, outOf },
})
const answer = (workId: string, number: number, score: number) => ({ workId, number, studentId: '1', score })
const skill = (studentId: string, about: string) => ({ studentId, kind: 'skill' as const, about })
const care = { kind: 'habit' as const, about: 'care' }
const seen = (id: string, date: string, symbol: string | null): Observation => ({
  ...{ ...skill('1', 's1'), id, date, symbol },
  ...{ text: '', mayTell: false, by: null, own: true },
})

describe('what the record shows of a skill', () => {
  const papers = {
    questions: [
      question('w1', 1, 's1', 4),
      question('w1', 2, 's1', 4),
      question('w1', 3, 's2', 2),
      question('w2', 1, 's1', 5),
    ],
    answers: [answer('w1', 1, 4), answer('w1', 2, 1), answer('w1', 3, 0), answer('w2', 1, 5)],
  }

  it('is the points of its questions, paper by paper, and what they propose together', () => {
    // By hand: 5 of 8 are 62.5 %, 5 of 5 are 100; the mean 81.25 is an A, which is top, as is the level 3.
    const shown = levelEvidence(index(papers), skill('1', 's1'))
    expect(shown.results.map(({ work: { id }, percent, level }) => [id, percent, level?.symbol])).toEqual([
      ['w1', 62.5, '2'],
      ['w2', 100, '3'],
    ])
    expect([shown.percent, shown.proposed?.symbol, shown.mostRecent?.symbol, shown.mostFrequent?.symbol]).toEqual([
      ...[81.25, '3', '3', '3'],
    ])
    expect(levelEvidence(index(papers), skill('1', 's2')).proposed?.symbol).toBe('2')
  })

  it('is by results alone what they come to together, and not the level that most of them have', () => {
    // By hand: 100 and then 62.5 are levels 3 and 2; together 81.25, a 3, though the 2 is the more recent of the two.
    const answers = [answer('w1', 1, 4), answer('w1', 2, 4), answer('w2', 1, 3.125)]
    const shown = levelEvidence(index({ ...papers, answers }), skill('1', 's1'))
    expect([shown.percent, shown.proposed?.symbol, shown.mostFrequent?.symbol]).toEqual([81.25, '3', '2'])
    // Seen out of order, told in the order of their days.
    const observations = [seen('late', '2027-03-01', '1'), seen('early', '2026-09-01', '2')]
    const both = levelEvidence(index({ answers: [], observations }), skill('1', 's1'))
    expect([both.seen.map(({ key }) => key), both.mostRecent?.symbol]).toEqual([['early', 'late'], '1'])
  })

  it('leaves out questions about nothing and those without points, and counts what was not reached', () => {
    const questions = [question('w1', 1, null, 4), question('w1', 2, 's1', 0), question('w1', 3, 's1', 10)]
    const none = levelEvidence(
      index({ questions, answers: [answer('w1', 1, 4), answer('w1', 2, 0)] }),
      skill('1', 's1'),
    )
    expect([none.results, none.percent, none.proposed]).toEqual([[], null, undefined])
    const answers = [answer('w1', 1, 4), answer('w1', 2, 0), answer('w1', 3, 0)]
    expect(levelEvidence(index({ questions, answers }), skill('1', 's1')).percent).toBe(0)
  })

  it('weighs each paper as the work weighs', () => {
    const heavy = example.work.map((piece) => ({ ...piece, weight: piece.id === 'w2' ? 3 : 1 }))
    // By hand: (62.5 + 3 × 100) / 4.
    expect(levelEvidence(index({ ...papers, work: heavy }), skill('1', 's1')).percent).toBe(90.625)
  })

  it('is nothing where no question about it was answered, and for a skill that is none', () => {
    for (const place of [skill('2', 's1'), skill('1', 's3'), skill('1', 'gone')]) {
      expect(levelEvidence(index(papers), place)).toMatchObject({ results: [], ratings: [], percent: null })
    }
  })

  it.each([
    [80, '3'],
    [79.9, '2'],
    [0, '2'],
  ])('%d % is level %s, by the tier of the mark that it reaches', (percent, symbol) => {
    const { scale } = index()
    expect(levelShown(scale('skills'), scale('marks'), percent)?.symbol).toBe(symbol)
  })

  it('goes by the cut-offs of the skill’s own scale where it has some', () => {
    const skills = sure(example.scales[1])
    const own = {
      ...skills,
      levels: skills.levels.map((level, at) => ({ ...level, lowestPercent: sure([90, 50, 0][at]) })),
    }
    expect([89, 50, 49].map((percent) => levelShown(own, example.scales[0], percent)?.symbol)).toEqual(['2', '2', '1'])
  })

  it('is the most frequent level where somebody saw levels along the way, among equals the more recent', () => {
    // By hand, in the order of their days: 2 (62.5 %), seen 1, 3 (100 %), seen 1.
    const observations = [seen('a', '2027-01-20', '1'), seen('b', '2027-03-01', '1')]
    const shown = levelEvidence(index({ ...papers, observations }), skill('1', 's1'))
    expect(shown.ratings.map(({ note: { id }, level }) => [id, level.symbol])).toEqual([
      ['a', '1'],
      ['b', '1'],
    ])
    expect([shown.percent, shown.proposed?.symbol, shown.mostRecent?.symbol]).toEqual([81.25, '1', '1'])
    const even = levelEvidence(index({ ...papers, observations: observations.slice(0, 1) }), skill('1', 's1'))
    expect(even.proposed?.symbol).toBe('3')
    const gone = [seen('a', '2027-01-20', 'no level of the scale any more')]
    expect(levelEvidence(index({ ...papers, observations: gone }), skill('1', 's1')).proposed?.symbol).toBe('3')
  })

  it('is for a habit the scores along the way alone', () => {
    const score = (id: string, symbol: string | null) => ({ ...seen(id, '2027-02-01', symbol), ...care })
    const observations = [score('a', '2'), score('b', '1'), score('c', '2'), score('d', null)]
    const shown = levelEvidence(index({ observations }), { studentId: '1', ...care })
    expect([shown.ratings.length, shown.proposed?.symbol, shown.percent]).toEqual([3, '2', null])
    expect([...proposedLevels(index({ observations }), 'habit', ['care'])]).toEqual([['1 care', '2']])
    expect(proposedLevels(index({ observations: [score('d', null)] }), 'habit', ['care']).size).toBe(0)
  })
})

it('a settled level is asked about where another is proposed than then, and than what is settled', () => {
  const level = (about: string, symbol: string, proposed: string | null) => ({
    studentId: '1',
    about,
    symbol,
    proposed,
  })
  const levels = [level('s1', '2', '2'), level('s2', '1', '2'), level('s3', '3', '2'), level('s4', '2', null)]
  const proposed = new Map([
    ['1 s1', '1'],
    ['1 s2', '2'],
    ['1 s3', '3'],
    ['1 s4', '1'],
  ])
  expect(movedLevels(index({ levels }), 'skill', proposed)).toEqual([
    { studentId: '1', kind: 'skill', about: 's1', from: '2', to: '1', settled: '2' },
  ])
})
