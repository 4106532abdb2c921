import { memoizeWords } from '../memoize'

/**
 * Whether a text is a time zone of the IANA database, as in "Europe/Lisbon"; offsets and abbreviations are none.
 * @example isTimeZone('Europe/Lisbon') // true; 'CET+1' and '+02:00' are false
 */
export function isTimeZone(zone: string): boolean {
  if (!/^[A-Za-z_]+(\/[A-Za-z0-9_+-]+)+$|^UTC$/.test(zone)) return false
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

/**
 * The day that it is somewhere, as an ISO date.
 * @param zone an IANA time zone; undefined: that of this machine
 * @example dayIn('Pacific/Kiritimati', new Date('2026-11-26T12:00:00Z')) // '2026-11-27'
 */
export function dayIn(zone: string | undefined, now: Date): string {
  return writerIn(zone ?? '').format(now)
}

/** More than there are time zones. */
const mostZones = 1000

/**
 * Making one takes a hundred times as long as writing a day with it, and every request asks for the day. The Swedish
 * way of writing a date is ISO 8601's.
 */
const writerIn = memoizeWords(
  mostZones,
  (zone) => new Intl.DateTimeFormat('sv-SE', zone === '' ? {} : { timeZone: zone }),
)
