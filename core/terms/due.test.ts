import { expect, it } from 'vitest'
import { howSoon, nextDue } from './due'
import { isOpenFor, lockWarning, openSubjects } from './lock'

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

it.each([
  ['2027-03-08', null],
  ['2027-03-09', 'locks in 10 days'],
  ['2027-03-18', 'locks in 1 day'],
  ['2027-03-19', null],
])('on %s a term that locks on 19 March: %s', (today, expected) => {
  expect(lockWarning({ locks: '2027-03-19' }, today)).toBe(expected)
})

it('a locked term is open for what was opened again, and for nothing else', () => {
  const term = { locks: '2027-03-19' }
  const open = (today: string, ...subjects: (string | null)[]) => {
    const found = openSubjects(
      term,
      today,
      subjects.map((subject) => ({ subject, until: today })),
    )
    return ['art', 'sums', null].map((subject) => isOpenFor(found, subject))
  }
  expect(open('2027-03-18')).toEqual([true, true, true])
  expect(open('2027-03-19')).toEqual([false, false, false])
  expect(open('2027-03-19', 'art')).toEqual([true, false, false])
  expect(open('2027-03-19', 'art', null)).toEqual([true, true, true])
})
