import { expect, it } from 'vitest'
import { practiceByProgram } from './practice'
import { registerDayProblem } from './register'

// The first and the last day of a term are days of it, and today is no day to come.
const term = { name: 'Winter term', starts: '2026-10-19', ends: '2026-12-18' }

it.each([
  ['2026-10-18', '2026-12-31', 'is no day of'],
  ['2026-10-19', '2026-12-31', null],
  ['2026-12-18', '2026-12-31', null],
  ['2026-12-19', '2026-12-31', 'is no day of'],
  ['2026-11-30', '2026-11-30', null],
  ['2026-12-01', '2026-11-30', 'is still to come'],
])('%s, asked on %s', (day, today, problem) => {
  const found = registerDayProblem(day, term, today)
  expect(problem === null ? found : found?.includes(problem)).toBe(problem === null ? null : true)
})

it('a program’s weeks go from its first to its last, those in between with nothing', () => {
  const minutes = (name: string) => ({
    studentId: 'maya',
    program: 'Pages',
    kind: 'minutes' as const,
    name,
    amount: 20,
    beside: 60,
  })
  const weeks = (...names: string[]) =>
    practiceByProgram(names.map(minutes))[0]?.weeks.map((each) => [each.week, each.minutes])
  expect(weeks('2026-11-02', '2026-11-23')).toEqual([
    ['2026-11-02', 20],
    ['2026-11-09', 0],
    ['2026-11-16', 0],
    ['2026-11-23', 20],
  ])
  expect(weeks('2026-11-02')).toEqual([['2026-11-02', 20]])
  // Of a day that was typed wrong by years, not every week between is drawn.
  const far = weeks('2020-01-06', '2026-11-23') ?? []
  expect([far.length, far[59]?.[0], far.at(-1)]).toEqual([61, '2021-02-22', ['2026-11-23', 20]])
})
