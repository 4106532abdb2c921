import { fields } from '../../record/fields'
import { monthCalled } from './monthWords'

/**
 * Reads a date as files have it: 2026-10-05, 5.10.2026, 05/10/2026 (day first unless the file says otherwise),
 * 5 Oct 2026, October 5, 2026.
 * @returns an ISO date, or undefined when there is no such day
 * @example readDate('5.10.2026') // '2026-10-05'; the same for '05/10/26'
 */
export function readDate(written: string, order: 'day first' | 'month first' = 'day first'): string | undefined {
  const tidy = written.trim()
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ].*)?$/.exec(tidy)
  if (iso) return realDate(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const local = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})$/.exec(tidy)
  if (!local) return dateInWords(tidy)
  const [first, second] = [Number(local[1]), Number(local[2])]
  const year = Number(local[3]) + ((local[3] ?? '').length === 2 ? 2000 : 0)
  return order === 'day first' ? realDate(year, second, first) : realDate(year, first, second)
}

/** A day of a month that is called by its name. */
function dateInWords(written: string): string | undefined {
  const [, day, month = '', year] =
    /^(\d{1,2})(?:st|nd|rd|th|er|\.)?[ .-]*(?:de )?(\p{L}+)\.?[ ,.-]*(?:de )?(\d{4}|\d{2})$/u.exec(written) ?? []
  const [, monthFirst = '', dayThen, yearThen] =
    /^(\p{L}+)\.? +(\d{1,2})(?:st|nd|rd|th)?,? +(\d{4})$/u.exec(written) ?? []
  const named = monthCalled(month || monthFirst)
  const years = Number(year ?? yearThen)
  if (named === undefined || Number.isNaN(years)) return undefined
  return realDate(years < 100 ? 2000 + years : years, named, Number(day ?? dayThen))
}

function realDate(year: number, month: number, day: number): string | undefined {
  const date = new Date(Date.UTC(year, month - 1, day))
  const exists = date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day
  const written = exists ? date.toISOString().slice(0, 10) : ''
  return fields.day.safeParse(written).data
}
