import { addDays } from '../addDays'
import type { TermDays, YearDays } from './schoolYear'

/**
 * The year after a year, for a school to put its own days in: each day a whole number of weeks later, so that a term
 * begins on the same day of the week.
 * @example nextYear({ name: '2026–27', starts: '2026-08-17', ends: '2027-07-02' }, []).year.name // '2027–28'
 */
export function nextYear(
  year: YearDays,
  terms: readonly (TermDays & { readonly id: string })[],
): { year: YearDays; terms: TermDays[] } {
  const later = (day: string): string => addDays(day, 364)
  return {
    year: { name: nextName(year.name), starts: later(year.starts), ends: later(year.ends) },
    terms: terms.map((term) => ({
      follows: term.id,
      name: term.name,
      starts: later(term.starts),
      ends: later(term.ends),
      progressDue: term.progressDue ? later(term.progressDue) : null,
      commentsDue: later(term.commentsDue),
      locks: later(term.locks),
    })),
  }
}

/**
 * A name with each number one higher; whatever has none is marked as the next.
 * @example nextName('5 Willow') // '6 Willow'
 * @example nextName('2099–00') // '2100–01'
 */
export function nextName(name: string): string {
  if (!/\d/.test(name)) return `${name}, next`
  return name.replace(/\d+/g, (digits) => {
    const next = String(Number(digits) + 1).padStart(digits.length, '0')
    // The short form of a year goes round: 99, 00.
    return digits.length === 2 ? next.slice(-2) : next
  })
}

/**
 * The grade after a grade; one that is no number stays as it is.
 * @example nextGrade('5') // '6'
 */
export function nextGrade(grade: string): string {
  return /^\d{1,2}$/.test(grade) ? String(Number(grade) + 1) : grade
}
