import { expect, it } from 'vitest'
import { belongsIn, type Stay } from './membership'

const term = { starts: '2026-10-19', ends: '2026-12-21' }
const stay = (from: string | null, to: string | null): Stay => ({ from, to })

it.each([
  ['all year', stay(null, null), [], true],
  ['came in the middle', stay('2026-11-20', null), [], true],
  ['comes after it', stay('2027-01-08', null), [], false],
  ['left before it', stay(null, '2026-10-01'), [], false],
  ['left the school in it: a report is owed', stay(null, '2026-11-20'), [], true],
  ['went to another class in it', stay(null, '2026-11-20'), [stay('2026-11-21', null)], false],
  ['came from another class in it', stay('2026-11-21', null), [stay(null, '2026-11-20')], true],
  ['comes on its last day', stay('2026-12-21', null), [], true],
  ['comes for a week in it', stay('2026-11-01', '2026-11-08'), [], true],
  ['left on its first day', stay(null, '2026-10-19'), [], true],
  ['left on the day before it', stay(null, '2026-10-18'), [], false],
  [
    'was elsewhere before, at the same time',
    stay('2026-09-01', '2026-11-20'),
    [stay('2026-09-01', '2026-09-30')],
    true,
  ],
  ['is in another class since the same day', stay(null, '2026-11-20'), [stay('2026-11-20', null)], true],
  ['leaves on its last day', stay(null, '2026-12-21'), [stay('2026-12-22', null)], true],
])('%s', (_, here, others, expected) => {
  expect(belongsIn(here, others, term)).toBe(expected)
})
