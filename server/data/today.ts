import { dayIn } from '../../core/school/timeZone'

/** The school's time zone, kept from the last look at it: one database is one school, and a process has one. */
let schoolZone: string | undefined

/** Keeps where the school is; undefined for where the server is. */
export function keepSchoolZone(zone: string | undefined): void {
  schoolZone = zone
}

/** The school's day, as an ISO date: a term ends where the school is, wherever the server stands. */
export function today(): string {
  return dayIn(schoolZone, new Date())
}
