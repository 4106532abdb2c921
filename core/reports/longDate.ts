/**
 * A day in words.
 * @param iso a date, or a date and time, of which the day counts
 * @example longDate('2026-12-14') // '14 December 2026'
 */
export function longDate(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(
    new Date(`${iso.slice(0, 10)}T00:00:00Z`),
  )
}
