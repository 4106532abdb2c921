import { howSoon, isDueSoon } from './due'
import { daysUntil } from './daysUntil'
import type { Term } from '../record/term'

/** What of a locked term can be changed again in a class, until the end of a day (ISO date). */
export interface Reopening {
  /** The one subject; null for all of the class. */
  readonly subject: string | null
  readonly until: string
}

/** What of a term can be changed: all, or no more than these subjects, which may be none. */
export type OpenSubjects = 'all' | ReadonlySet<string>

/**
 * Whether a term can no longer be changed on this day (ISO date). It locks at the start of its lock date.
 * @example isLocked({ locks: '2027-03-19' }, '2027-03-19') // true: from the beginning of that day
 */
export function isLocked(term: Pick<Term, 'locks'>, today: string): boolean {
  return today >= term.locks
}

/**
 * What of a term can be changed in a class on a day.
 * @param reopenings those of the class that hold today
 * @example openSubjects({ locks: '2027-03-19' }, '2027-03-20', [{ subject: 'art', until: '2027-03-22' }]) // art alone
 */
export function openSubjects(term: Pick<Term, 'locks'>, today: string, reopenings: readonly Reopening[]): OpenSubjects {
  if (!isLocked(term, today) || reopenings.some(({ subject }) => subject === null)) return 'all'
  return new Set(reopenings.flatMap(({ subject }) => subject ?? []))
}

/**
 * That a term locks soon, from ten days before; null before that and once it has locked.
 * @example lockWarning({ locks: '2027-03-19' }, '2027-03-16') // 'locks in 3 days'
 */
export function lockWarning(term: Pick<Term, 'locks'>, today: string): string | null {
  const days = daysUntil(term.locks, today)
  return days > 0 && isDueSoon(days) ? `locks ${howSoon(days)}` : null
}

/** @param subject null for what belongs to the class as a whole */
export function isOpenFor(open: OpenSubjects, subject: string | null): boolean {
  return open === 'all' || (subject !== null && open.has(subject))
}
