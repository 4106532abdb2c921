import { expect, it } from 'vitest'
import { demoClass } from '../../tests/outside/demoClass'
import { exampleClass } from '../../tests/exampleClass'
import { markProposal } from './markProposal'
import { marksByRules } from './marksByRules'
import { indexRecord } from './recordIndex'

it('other rules make others of the marks that they touch, and of no others', () => {
  const record = demoClass()
  const index = indexRecord(record)
  const rules = record.school.markRules
  const marks = record.students.flatMap(({ id }) =>
    record.subjects.flatMap(({ key }) => markProposal(index, id, key).computed.percent ?? []),
  )
  expect(marksByRules(index, rules)).toEqual({ marks: marks.length, others: 0 })
  const missing = rules.missing === 'is left out' ? 'counts as zero' : 'is left out'
  const touched = new Set(
    record.results
      .filter(({ state }) => state === 'missing')
      .map(({ studentId, workId }) => `${studentId} ${record.work.find(({ id }) => id === workId)?.subject}`),
  )
  expect(marksByRules(index, { ...rules, missing })).toEqual({ marks: marks.length, others: touched.size })
  expect(marksByRules(index, { ...rules, decimals: rules.decimals + 1 }).others).toBeGreaterThan(0)
})

it('a class without results has no marks to change', () => {
  const index = indexRecord(exampleClass({ work: [], results: [] }))
  expect(marksByRules(index, { ...index.record.school.markRules, method: 'by points' })).toEqual({
    marks: 0,
    others: 0,
  })
})

it('a mark is another where its level alone is', () => {
  // 79.6 of 100 is 80 % as shown either way: B from the exact mark, A from the rounded one.
  const record = exampleClass({
    work: exampleClass()
      .work.slice(0, 1)
      .map((piece) => ({ ...piece, outOf: 100 })),
    results: [{ workId: 'w2', studentId: '1', state: 'scored', score: 79.6, remark: '' }],
  })
  const markRules = { ...record.school.markRules, method: 'by points', decimals: 0, letterFrom: 'unrounded' } as const
  const index = indexRecord({ ...record, school: { ...record.school, markRules } })
  expect(marksByRules(index, { ...markRules, letterFrom: 'rounded' })).toEqual({ marks: 1, others: 1 })
  expect(marksByRules(index, markRules)).toEqual({ marks: 1, others: 0 })
})

it('a mark that comes or goes by other rules is another', () => {
  const record = exampleClass({
    results: [{ workId: 'w1', studentId: '1', state: 'missing', score: null, remark: '' }],
  })
  const markRules = { ...record.school.markRules, missing: 'is left out' } as const
  const index = indexRecord({ ...record, school: { ...record.school, markRules } })
  expect(marksByRules(index, { ...markRules, missing: 'counts as zero' })).toEqual({ marks: 1, others: 1 })
})
