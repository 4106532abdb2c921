import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { guessGradebook } from '../../core/exchange/gradebook/guessGradebook'
import { planImport } from '../../core/exchange/gradebook/planImport'
import { readTable } from '../../core/exchange/files/readTable'
import { weightedMean } from '../../core/marks/weightedMean'
import { exampleClass } from '../exampleClass'

// Real results of real children, long published: K. J. Holzinger and F. Swineford, A Study in Factor Analysis, Chicago
// 1939: 301 children of two schools, nine tests. The table is the one that Debian's package r-cran-lavaan 0.6.14
// carries (HolzingerSwineford1939). The means are those that the package's tutorial prints (from memory).
const published = [4.936, 6.088, 2.25, 3.061, 4.341, 2.186, 4.186, 5.527, 5.374]
const text = readFileSync(new URL('holzinger1939.csv', import.meta.url), 'utf8')

it.each([
  ['as it is published', text],
  ['with semicolons and decimal commas', text.replaceAll(',', ';').replaceAll('.', ',')],
])('an open table of results comes in whole, and its published means are met: %s', (_how, written) => {
  const table = readTable(written)
  const ids = table.rows.slice(1).map(({ cells }) => cells[0] ?? '')
  const students = ids.map((id) => ({
    ...{ id, schoolNumber: id, legalGiven: `Child ${id}`, usedName: '', family: '' },
    ...{ pronouns: 'name only' as const, gradeLevel: '7' },
  }))
  const record = { ...exampleClass(), students, work: [], results: [], categories: [] }
  const plan = planImport(table, guessGradebook(table, []), record)
  expect([plan.refused, plan.doubtful, plan.work.length, plan.results.length]).toEqual([[], [], 9, 301 * 9])
  const means = plan.work.map(({ work: { title } }) => {
    const scores = plan.results.filter((each) => each.title === title).map((each) => each.score ?? 0)
    return weightedMean(scores.map((value) => ({ value, weight: 1 })))
  })
  expect(means.map((mean) => Number(mean?.toFixed(3)))).toEqual(published)
})
