import { expect, it } from 'vitest'
import { dayIn, isTimeZone } from './timeZone'

// Source of the names: the IANA time zone database, as ICU carries it.
it.each([
  ['Europe/Lisbon', true],
  ['America/Argentina/Buenos_Aires', true],
  ['Pacific/Kiritimati', true],
  ['UTC', true],
  ['Europe/Atlantis', false],
  ['+02:00', false],
  ['CET+1', false],
  ['', false],
])('“%s” is a time zone: %s', (zone, is) => {
  expect(isTimeZone(zone)).toBe(is)
})

// Offsets from the same database: +14 hours, −11 hours, and the Nordic winter at +2.
it.each([
  ['Pacific/Kiritimati', '2026-11-26T10:00:00Z', '2026-11-27'],
  ['Pacific/Kiritimati', '2026-11-26T09:59:59Z', '2026-11-26'],
  ['Pacific/Niue', '2026-11-26T10:59:59Z', '2026-11-25'],
  ['Europe/Helsinki', '2026-11-26T22:00:00Z', '2026-11-27'],
  ['Europe/Helsinki', '2026-06-26T20:59:59Z', '2026-06-26'],
])('in %s at %s it is %s', (zone, now, day) => {
  expect(dayIn(zone, new Date(now))).toBe(day)
})
