/**
 * A day in words.
 * @param iso a date, or a date and time, of which the day counts
 * @example longDate('2026-12-14') // '14 December 2026'
 */
export function longDate(iso: string): string {
  return written(iso, { dateStyle: 'long' })
}

/**
 * A day in few signs, where its year goes without saying.
 * @example shortDay('2026-12-14') // '14 Dec'
 */
export function shortDay(iso: string): string {
  return written(iso, { day: 'numeric', month: 'short' })
}

function written(iso: string, how: Intl.DateTimeFormatOptions): string {
  return new Intl.DateTimeFormat('en-GB', { ...how, timeZone: 'UTC' }).format(new Date(`${iso.slice(0, 10)}T00:00:00Z`))
}
