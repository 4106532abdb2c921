import { dayIn } from '../../core/school/timeZone'

/** What a school's day hangs on, kept from the last look: one database is one school, and a process has one. */
export interface Calendar {
  /** IANA time zone; null for where the server is. */
  readonly zone: string | null
  /** The day on which a school that is shown stands still; null for one that lives by the clock. */
  readonly standsAt: string | null
}

let calendar: Calendar = { zone: null, standsAt: null }

/** Keeps what the school's day hangs on. */
export function keepCalendar(kept: Calendar): void {
  calendar = kept
}

/** What the school's day hangs on, for a thread beside this one. */
export function calendarKept(): Calendar {
  return calendar
}

/** The school's day, as an ISO date: a term ends where the school is, wherever the server stands. */
export function today(): string {
  return calendar.standsAt ?? dayIn(calendar.zone ?? undefined, new Date())
}

/** Whether the school's day never passes, as the demo's does. */
export function standsStill(): boolean {
  return calendar.standsAt !== null
}
