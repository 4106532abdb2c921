import { expect, it } from 'vitest'
import { howSoon, nextDue } from './due'

const term = { progressDue: '2026-09-30', commentsDue: '2026-11-27' }

it.each([
  [term, '2026-09-28', 'progress reports', 2],
  [term, '2026-09-30', 'progress reports', 0],
  [term, '2026-10-01', 'comments', 57],
  [{ ...term, progressDue: null }, '2026-09-28', 'comments', 60],
  [{ commentsDue: '2026-11-27' }, '2026-11-29', 'comments', -2],
] as const)('of %j on %s: %s, in %i days', (days, today, what, expected) => {
  expect(nextDue(days, today)).toMatchObject({ what, days: expected })
})
it.each([
  [0, 'today'],
  [1, 'in 1 day'],
  [9, 'in 9 days'],
  [-1, '1 day ago'],
  [-3, '3 days ago'],
])('%i days is %s', (days, expected) => {
  expect(howSoon(days)).toBe(expected)
})
