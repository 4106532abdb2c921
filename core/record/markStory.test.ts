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
  it('the pass line itself passes, and what is only proposed is counted as such', () => {
    const marks = [50, 49].map((percent) =>
      acrossSubjects(indexRecord(exampleClass({ marks: [mark('sums', percent)] })), '1'),
    )
    expect(marks.map((each) => each.marks.map(({ passes }) => passes))).toEqual([[true], [false]])
    expect(acrossSubjects(indexRecord(exampleClass({ marks: [] })), '1').proposed).toBe(1)
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
  it('is rounded in one way throughout, and exactly where that is asked for', () => {
    const work = exampleClass().work.map((each) => ({ ...each, outOf: 9 }))
    const { parts, proposal, exact } = story({ work })
    const shown = [proposal, ...parts.flatMap(({ words, lines }) => [words, ...lines.map((line) => line.words)])]
    // 6 and 9 of 9: 66.67 % and 100 %, their mean 83.33 %.
    expect(shown.join('; ')).not.toMatch(/\d\.\d/)
    expect(exact).toEqual(['100 % × 83.33 % = 83.33 %', 'Rounded once, half up: 83 %.'])
    expect(story().exact).toEqual([])
  })
  it.each([
    ['informs alone', { counts: false }, {}, {}, 'only informs'],
    ['no category', { category: 'gone' }, {}, {}, 'stands in no category'],
    ['excused', {}, { state: 'excused', score: null }, {}, 'excused'],
    ['incomplete', {}, { state: 'incomplete', score: null }, {}, 'incomplete'],
    ['missing', {}, { state: 'missing', score: null }, { missing: 'is left out' }, 'missing'],
    ['late', {}, { state: 'late' }, { late: 'is left out' }, 'late'],
    ['nothing written', {}, { score: null }, {}, 'without a score'],
    ['missing, counted', {}, { state: 'missing', score: null }, { missing: 'counts as zero' }, null],
    ['late, counted', {}, { state: 'late' }, { late: 'counts as it is' }, null],
  ] as const)('%s: why a result is left out, or that it counts', (_, piece, result, rules, why) => {
    const { work, results, school } = exampleClass()
    const { leftOut, parts } = story({
      work: work.map((each) => (each.id === 'w1' ? { ...each, ...piece } : each)),
      results: results.map((each) => (each.workId === 'w1' ? { ...each, ...result } : each)),
      school: { ...school, markRules: { ...usualSchoolMarkRules, ...rules } },
    })
    expect(leftOut).toEqual(why === null ? [] : [{ title: 'First quiz', words: why }])
    expect(parts[0]?.lines.length).toBe(why === null ? 2 : 1)
  })
  it('tells what a result weighs, that it came late, and how its category is drawn together', () => {
    const { work, results, school } = exampleClass()
    const told = (rules: object) =>
      story({
        work: work.map((each) => ({ ...each, weight: 2 })),
        results: results.map((each) => (each.workId === 'w1' ? { ...each, state: 'late' } : each)),
        school: { ...school, markRules: { ...usualSchoolMarkRules, ...rules } },
      }).parts[0]
    expect(told({ late: 'counts as it is' })?.lines.map(({ words }) => words)).toEqual([
      '6 of 10, late = 60 %, weighs 2 times',
      '9 of 10 = 90 %, weighs 2 times',
    ])
    const recency = { together: 'recency weighted', newestWeighs: 60 }
    expect(told(recency)?.words).toContain('the newer the heavier, the newest 60 %, of 2 results')
    expect(told({ ...recency, method: 'by points' })?.words).toContain('by points, of 2 results')
    expect(story({ results: results.slice(0, 1) }).parts[0]?.words).toContain('60 %, one result;')
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
