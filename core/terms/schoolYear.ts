import { addDays } from '../addDays'
import type { Term } from '../record/term'
import { daysUntil } from './daysUntil'

/** A school year as it is written down; days are ISO dates. */
export interface YearDays {
  readonly name: string
  readonly starts: string
  readonly ends: string
}

/** A term's name and days. */
export type TermDays = Pick<Term, 'name' | 'starts' | 'ends' | 'progressDue' | 'commentsDue' | 'locks'> & {
  /** The id of the term of the year before that it follows. */
  readonly follows?: string | undefined
}

/** Days from the first to the last; ours: a school that counts otherwise has a year and a half at most. */
const longestYear = 731

/** What terms are called by how many a year has: the trade's words, to be written over. */
const termWords: Readonly<Record<number, string>> = { 1: 'year', 2: 'semester', 3: 'trimester', 4: 'quarter' }
const ordinals = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth']

/**
 * Comments are due so many days before a term ends, and it locks so many days after; where a school begins in the
 * middle of a term, they are due so many days from now at the earliest. Ours, to be written over.
 */
const usual = { due: 10, locks: 14, fromNow: 7 }

/**
 * When comments are due in a term that ends on a day, and when it locks.
 * @example usualDays('2026-12-20') // { commentsDue: '2026-12-10', locks: '2027-01-03' }
 */
export function usualDays(ends: string): Pick<TermDays, 'commentsDue' | 'locks'> {
  return { commentsDue: addDays(ends, -usual.due), locks: addDays(ends, usual.locks) }
}

/**
 * So many terms of one length, one after the other, for a school to put its own days in. In the term that today is in,
 * comments are not due at once, nor before today.
 * @example proposeTerms({ name: '2026–27', starts: '2026-08-17', ends: '2027-07-02' }, 2).map((term) => term.name)
 * // ['First semester', 'Second semester']
 */
export function proposeTerms({ starts, ends }: YearDays, count: number, today = starts): TermDays[] {
  const days = daysUntil(ends, starts) + 1
  return Array.from({ length: count }, (_, nth) => {
    const first = addDays(starts, Math.floor((days * nth) / count + 0.5))
    const last = addDays(starts, Math.floor((days * (nth + 1)) / count + 0.5) - 1)
    const name = count === 1 ? 'The year' : `${ordinals[nth] ?? nth + 1} ${termWords[count] ?? 'term'}`
    const soonest = first <= today && today <= last ? addDays(today, usual.fromNow) : first
    const { commentsDue: due, locks } = usualDays(last)
    return { name, starts: first, ends: last, commentsDue: due < soonest ? soonest : due, locks }
  })
}

/**
 * What is wrong with a year and its terms, in sentences for the person who wrote them; empty when they can be used.
 * @example yearProblems({ name: '2027', starts: '2027-06-01', ends: '2027-01-01' }, [])
 * // ['The year ends before it begins.', 'A year needs a term.']
 */
export function yearProblems(year: YearDays, terms: readonly TermDays[]): string[] {
  const inOrder = terms.toSorted((a, b) => (a.starts < b.starts ? -1 : 1))
  return [
    ...(year.name.trim() === '' ? ['The year needs a name, as in 2026–27.'] : []),
    ...(year.ends <= year.starts ? ['The year ends before it begins.'] : []),
    ...(daysUntil(year.ends, year.starts) > longestYear ? ['A school year is no longer than two years.'] : []),
    ...(terms.length === 0 ? ['A year needs a term.'] : []),
    ...terms.flatMap((term) => termProblems(year, term)),
    ...inOrder.flatMap((term, nth) => {
      const before = inOrder[nth - 1]
      return before && term.starts <= before.ends ? [`${term.name} begins before ${before.name} has ended.`] : []
    }),
    ...[...new Set(terms.map((term) => term.name))]
      .filter((name) => terms.filter((term) => term.name === name).length > 1)
      .map((name) => `Two terms are called “${name}”.`),
  ]
}

function termProblems(year: YearDays, term: TermDays): string[] {
  const { name, starts, ends, progressDue, commentsDue, locks } = term
  const called = name.trim() === '' ? 'A term without a name' : name
  return [
    ...(name.trim() === '' ? ['Each term needs a name.'] : []),
    ...(ends <= starts ? [`${called} ends before it begins.`] : []),
    ...(starts < year.starts || ends > year.ends ? [`${called} is not within the year.`] : []),
    ...(progressDue && (progressDue < starts || progressDue > ends)
      ? [`In ${called}, progress reports are due on a day that is not in it.`]
      : []),
    ...(commentsDue < starts ? [`In ${called}, comments are due before it begins.`] : []),
    ...(locks < commentsDue ? [`${called} locks before its comments are due.`] : []),
  ]
}
