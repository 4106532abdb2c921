import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { usualSchoolMarkRules } from '../marks/markRules'
import { acrossSubjects } from './acrossSubjects'
import type { ClassRecord } from './classRecord'
import { markStory } from './markStory'
import { indexRecord } from './recordIndex'
import { yearSoFar } from './yearSoFar'

const mark = (subject: string, percent: number) => ({
  ...{ studentId: '1', subject, percent, special: null, reason: null },
})
const earlier = (id: string, percent: number): ClassRecord['earlier'][number] => ({
  ...{ term: { ...exampleClass().term, id, name: id }, levels: [], habitScores: [], comments: [] },
  marks: [mark('sums', percent)],
})

describe('the year so far', () => {
  it('is the mean of the terms up to each: 64, 70, 79 give 64, 67, 71', () => {
    const record = exampleClass({ earlier: [earlier('two', 70), earlier('one', 64)], marks: [mark('sums', 79)] })
    const terms = yearSoFar(indexRecord(record), '1', 'sums')
    expect(terms.map(({ percent, soFar }) => [percent, soFar])).toEqual([
      [64, 64],
      [70, 67],
      [79, 71],
    ])
  })
  it('weighs the terms as the school does: 64, 70 and a 79 that weighs twice give 64, 67, 73', () => {
    const record = exampleClass({ earlier: [earlier('two', 70), earlier('one', 64)], marks: [mark('sums', 79)] })
    const soFar = (termWeights: Record<string, number>): number[] => {
      const school = { ...record.school, markRules: { ...usualSchoolMarkRules, termWeights } }
      return yearSoFar(indexRecord({ ...record, school }), '1', 'sums').map((term) => term.soFar)
    }
    expect(soFar({ t2: 2 })).toEqual([64, 67, 73])
    expect(soFar({ one: 0 })).toEqual([64, 70, 74.5])
  })
  it('takes what is proposed where nothing is settled, and says so', () => {
    const index = indexRecord(exampleClass({ marks: [] }))
    expect(yearSoFar(index, '1', 'sums')).toEqual([
      { term: { id: 't2', name: 'Spring term' }, percent: 75, weight: 1, isSettled: false, soFar: 75 },
    ])
    expect(yearSoFar(index, '2', 'sums')).toEqual([])
  })
})

describe('across the subjects', () => {
  it('eight that total 594 average 74.25, and those below the pass line are told', () => {
    const [subject] = exampleClass().subjects
    const percents = [81, 74, 66, 92, 48, 70, 88, 75]
    const subjects = percents.map((_, at) => ({
      ...subject,
      key: `s${at}`,
      name: `S ${at}`,
    })) as ClassRecord['subjects']
    const record = exampleClass({ subjects, marks: percents.map((percent, at) => mark(`s${at}`, percent)) })
    const across = acrossSubjects(indexRecord(record), '1')
    expect([across.total, across.average, across.proposed]).toEqual([594, 74.25, 0])
    expect(across.marks.filter(({ passes }) => !passes).map(({ percent }) => percent)).toEqual([48])
  })
  it('a special value is left out, and what is shown is what is added up', () => {
    const record = exampleClass({
      marks: [{ ...mark('sums', 0), percent: null, special: 'incomplete' }],
    })
    expect(acrossSubjects(indexRecord(record), '1')).toEqual({ marks: [], total: 0, average: null, proposed: 0 })
    const shown = acrossSubjects(indexRecord(exampleClass({ marks: [mark('sums', 79.6)] })), '1')
    expect([shown.total, shown.average]).toEqual([80, 80])
  })
})

describe('how a mark came about', () => {
  const story = (change: Partial<ClassRecord> = {}) => markStory(indexRecord(exampleClass(change)), '1', 'sums')
  it('names each result, what it counts for, and how it ends', () => {
    const { parts, proposal, leftOut, ends } = story()
    expect([parts.length, proposal]).toEqual([1, '75 % B'])
    expect(parts[0]?.words).toBe('75 %, the mean, of 2 results; weighs 100 %')
    expect(parts[0]?.lines.map(({ words }) => words)).toEqual(['6 of 10 = 60 %', '9 of 10 = 90 %'])
    expect(leftOut).toEqual([])
    expect(ends).toEqual([
      'B (level B) begins at 60 %, read off the exact mark.',
      'Reaches the pass line (50 %, as is common: your school has not said).',
    ])
  })
  it('says what was left out and why, what lateness cost, and that nothing counts', () => {
    const [one, two] = exampleClass().results
    const school = {
      ...exampleClass().school,
      markRules: { ...usualSchoolMarkRules, late: 'loses some' as const, lateLoss: 20, passLine: 80 },
    }
    const results = [
      { ...one, state: 'late' },
      { ...two, state: 'excused', score: null },
    ] as ClassRecord['results']
    const told = story({ school, results })
    expect(told.parts[0]?.lines.map(({ words }) => words)).toEqual([
      expect.stringMatching(/^\d+ of 10, late: less 20 % = \d+ %$/),
    ])
    expect(told.leftOut.map(({ words }) => words)).toEqual(['excused'])
    expect(told.ends.at(-1)).toBe('Does not reach the pass line (80 %).')
    expect(story({ results: results.slice(1) }).ends).toEqual(['Nothing counts yet.'])
    const weightless = exampleClass().categories.map((each) => ({ ...each, weight: 0 }))
    expect(story({ categories: weightless }).ends).toEqual(['Every category here weighs 0, so nothing counts.'])
  })
})
