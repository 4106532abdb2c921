import { dequal } from 'dequal'
import { addDays } from '../addDays'
import type { Attendance } from './observations'

export const presences = ['present', 'late', 'absent'] as const
/** How a child was there on a day. Who came late was there. */
export type Presence = (typeof presences)[number]

/** A child's day as the register has it. */
export interface RegisterDay {
  readonly studentId: string
  readonly day: string
  readonly presence: Presence
}

type Sums = Omit<Attendance, 'studentId'>

/**
 * What days of the register come to.
 * @example sumsOfDays(['present', 'late']) // { daysOpen: 2, absences: 0, lates: 1 }
 */
export function sumsOfDays(days: readonly Presence[]): Sums {
  const of = (presence: Presence): number => days.filter((each) => each === presence).length
  return { daysOpen: days.length, absences: of('absent'), lates: of('late') }
}

/**
 * A child's sums of the term once days of the register have changed: those of the register, where they were before or
 * nothing was said yet. Sums that somebody gave apart from it stay.
 * @returns undefined where the sums stay as they are; null where there shall be none
 */
export function sumsAfter(
  before: readonly Presence[],
  after: readonly Presence[],
  sums: Sums | null,
): Sums | null | undefined {
  const followed = sums === null ? before.length === 0 : before.length > 0 && dequal(sums, sumsOfDays(before))
  if (!followed) return undefined
  return after.length === 0 ? null : sumsOfDays(after)
}

/** Why a day cannot stand in the register of a term, in words; null where it can. */
export function registerDayProblem(
  day: string,
  { name, starts, ends }: { name: string; starts: string; ends: string },
  today: string,
): string | null {
  if (day < starts || day > ends) return `${day} is no day of the ${name}.`
  return day > today ? `${day} is still to come.` : null
}

/** The school days (Monday to Friday) of a term up to a day, the last ones, oldest first. */
export function lastSchoolDays(
  { starts, ends }: { starts: string; ends: string },
  until: string,
  most: number,
): string[] {
  const days: string[] = []
  for (let day = until < ends ? until : ends; day >= starts && days.length < most; day = addDays(day, -1))
    if (new Date(day).getUTCDay() % 6 !== 0) days.unshift(day)
  return days
}
