import fc from 'fast-check'
import { expect, it } from 'vitest'
import { addDays } from '../addDays'
import { proposeTerms, yearProblems } from './schoolYear'

const year = { name: '2026–27', starts: '2026-08-17', ends: '2027-07-02' }
const problemsWith = (change: Partial<ReturnType<typeof proposeTerms>[number]>, at = 0): string[] =>
  yearProblems(
    year,
    proposeTerms(year, 3).map((term, nth) => (nth === at ? { ...term, ...change } : term)),
  )

it('proposes terms that follow one another, fill the year and can be used as they are', () => {
  fc.assert(
    fc.property(fc.integer({ min: 40, max: 400 }), fc.integer({ min: 1, max: 6 }), fc.nat(500), (days, count, now) => {
      const ends = addDays(year.starts, days)
      const today = addDays(year.starts, now)
      const terms = proposeTerms({ ...year, ends }, count, today)
      expect(yearProblems({ ...year, ends }, terms)).toEqual([])
      expect([terms[0]?.starts, terms.at(-1)?.ends]).toEqual([year.starts, ends])
      const current = terms.find((term) => term.starts <= today && today <= term.ends)
      expect(current === undefined || current.commentsDue >= addDays(today, 7)).toBe(true)
      terms.slice(1).forEach((term, nth) => expect(term.starts).toBe(addDays(terms[nth]?.ends ?? '', 1)))
    }),
  )
  expect(proposeTerms(year, 4).map((term) => term.name)[1]).toBe('Second quarter')
  // Worked by hand: the first trimester ends on 1 December, and ten days before it has gone by.
  const due = (today: string) => proposeTerms(year, 3, today).map((term) => term.commentsDue)
  expect(due('2026-11-26')).toEqual(['2026-12-03', '2027-03-07', '2027-06-22'])
  expect(due('2026-11-14')).toEqual(['2026-11-21', '2027-03-07', '2027-06-22'])
})

it.each([
  [{ name: ' ' }, 'Each term needs a name.'],
  [{ ends: year.starts }, 'First trimester ends before it begins.'],
  [{ starts: '2026-08-16' }, 'First trimester is not within the year.'],
  [{ progressDue: '2026-08-16' }, 'In First trimester, progress reports are due on a day that is not in it.'],
  [{ commentsDue: '2026-08-16' }, 'In First trimester, comments are due before it begins.'],
  [{ locks: '2026-08-20' }, 'First trimester locks before its comments are due.'],
  [{ name: 'Second trimester' }, 'Two terms are called “Second trimester”.'],
])('says what is wrong with a term: %o', (change, problem) => {
  expect(problemsWith(change)).toContain(problem)
})

it('says what is wrong with a year', () => {
  expect(problemsWith({ starts: '2026-10-01' }, 1)).toContain(
    'Second trimester begins before First trimester has ended.',
  )
  expect(yearProblems({ name: '', starts: '2027-01-01', ends: '2027-01-01' }, [])).toEqual([
    'The year needs a name, as in 2026–27.',
    'The year ends before it begins.',
    'A year needs a term.',
  ])
})

it('takes the first and the last day of everything for days of it', () => {
  const [first] = proposeTerms(year, 3)
  const [starts, ends] = [first?.starts ?? '', first?.ends ?? '']
  const allowed = [
    { progressDue: starts },
    { progressDue: ends },
    { commentsDue: starts },
    { commentsDue: ends, locks: ends },
  ]
  for (const change of allowed) expect([change, problemsWith(change)]).toEqual([change, []])
  const refused = [
    [{ progressDue: addDays(starts, -1) }, 'progress reports are due on a day that is not in it'],
    [{ progressDue: addDays(ends, 1) }, 'progress reports are due on a day that is not in it'],
    [{ commentsDue: addDays(starts, -1) }, 'comments are due before it begins'],
    [{ commentsDue: ends, locks: addDays(ends, -1) }, 'locks before its comments are due'],
    [{ starts: addDays(year.starts, -1) }, 'is not within the year'],
    [{ ends: starts }, 'ends before it begins'],
  ] as const
  for (const [change, words] of refused) expect(problemsWith(change).join(' ')).toContain(words)
})
