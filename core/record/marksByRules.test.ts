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
