import type { Attendance } from './observations'

/** More days, or times late, than any term has. */
export const mostDays = 400

/** Days are counted in halves: a morning away is one. */
export const halfDay = 0.5

/**
 * Why days of attendance cannot be, in a sentence; null where they can.
 * @example attendanceProblem({ daysOpen: 40, absences: 41, lates: 0 }) // 'Nobody is absent on 41 of 40 days.'
 */
export function attendanceProblem({ daysOpen, absences, lates }: Omit<Attendance, 'studentId'>): string | null {
  const isCount = (count: number, of: number): boolean =>
    Number.isInteger(count / of) && count >= 0 && count <= mostDays
  const wrong = [daysOpen, absences].find((days) => !isCount(days, halfDay))
  if (wrong !== undefined) return `${wrong} is no number of days from 0 to ${mostDays}, whole or half.`
  if (!isCount(lates, 1)) return `${lates} is no number of times from 0 to ${mostDays}.`
  if (absences === 0 || absences <= daysOpen) return null
  return daysOpen === 0
    ? 'Say how many days the school was open, in a column Days open.'
    : `Nobody is absent on ${absences} of ${daysOpen} days.`
}
