import type { Term } from '../record/term'
import { daysUntil } from './daysUntil'

/** What is due next in a term. */
export interface Due {
  readonly what: 'progress reports' | 'comments'
  /** ISO date. */
  readonly day: string
  /** Whole days from today; below 0 when the day is over. */
  readonly days: number
}

/**
 * What is due next: progress reports until their day, where the term has any; then comments.
 * @example nextDue({ progressDue: '2026-09-30', commentsDue: '2026-11-27' }, '2026-09-28')
 * // { what: 'progress reports', day: '2026-09-30', days: 2 }
 */
export function nextDue({ progressDue, commentsDue }: Pick<Term, 'progressDue' | 'commentsDue'>, today: string): Due {
  return progressDue && today <= progressDue
    ? { what: 'progress reports', day: progressDue, days: daysUntil(progressDue, today) }
    : { what: 'comments', day: commentsDue, days: daysUntil(commentsDue, today) }
}

/**
 * How far away something due is.
 * @example howSoon(1) // 'in 1 day'; howSoon(-2) // '2 days ago'
 */
export function howSoon(days: number): string {
  if (days === 0) return 'today'
  const count = `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'}`
  return days < 0 ? `${count} ago` : `in ${count}`
}

/** So many days before something is due, or a term locks, it is said so that it is seen. */
const warnedBefore = 10

/** @example isNear(10) // true; isNear(-1) // true: it is over and was not done */
export function isDueSoon(days: number): boolean {
  return days <= warnedBefore
}
