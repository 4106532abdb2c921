import type { Term } from '../record/term'

/**
 * Whether a term can no longer be changed on this day (ISO date). It locks at the start of its lock date.
 * @example isLocked({ locks: '2027-03-19' }, '2027-03-19') // true: from the beginning of that day
 */
export function isLocked(term: Pick<Term, 'locks'>, today: string): boolean {
  return today >= term.locks
}

/**
 * Whole days from one ISO date to another; negative when it has passed.
 * @example daysUntil('2027-03-12', '2027-03-10') // 2; below 0 for a day that is over
 */
export function daysUntil(date: string, today: string): number {
  return Math.round((Date.parse(date) - Date.parse(today)) / 86_400_000)
}
