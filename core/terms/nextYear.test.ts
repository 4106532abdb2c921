import { expect, it } from 'vitest'
import { nextGrade, nextName, nextYear } from './nextYear'
import { proposeTerms, yearProblems } from './schoolYear'

it('a year later fits together as the year before did, on the same days of the week', () => {
  const year = { name: '2026–27', starts: '2026-08-17', ends: '2027-07-02' }
  const next = nextYear(
    year,
    proposeTerms(year, 3).map((term, nth) => ({ ...term, id: `t${nth}` })),
  )
  expect(next.year).toEqual({ name: '2027–28', starts: '2027-08-16', ends: '2028-06-30' })
  expect(yearProblems(next.year, next.terms)).toEqual([])
  expect(new Date(next.year.starts).getUTCDay()).toBe(new Date(year.starts).getUTCDay())
})

it.each([
  ['5 Willow', '6 Willow'],
  ['5/6 Oak', '6/7 Oak'],
  ['9b', '10b'],
  ['2026–27', '2027–28'],
  ['2098-99', '2099-00'],
  ['Foxes', 'Foxes, next'],
])('%s is followed by %s', (name, next) => {
  expect(nextName(name)).toBe(next)
})

it('grades go up, and what is no number stays', () => {
  expect(['5', '9', 'K'].map(nextGrade)).toEqual(['6', '10', 'K'])
})
