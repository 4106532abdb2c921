import { beforeEach, expect, it } from 'vitest'
import { computed, ref, shallowRef } from 'vue'
import type { GivenCell } from '~~/core/exchange/gradebook/planCells'
import type { ClassRecord } from '~~/core/record/classRecord'
import { indexRecord } from '~~/core/record/recordIndex'
import type { Work } from '~/outbox/work'
import { exampleClass } from '../../tests/exampleClass'
import { recordWrites } from './recordWrites'

// What a teacher writes is shown at once, and sent with what was seen of it: what stood before, not what is shown now.
const record = shallowRef<ClassRecord>(exampleClass())
let sent: { work: Work; when: string | undefined }[] = []
let given: GivenCell[] = []
const writes = recordWrites({
  index: computed(() => indexRecord(record.value)),
  place: ref('here'),
  show: (part) => (record.value = { ...record.value, ...part(record.value) }),
  putResults: (cells) => given.push(...cells),
  nameOf: () => 'Maya',
  send: (work, when) => sent.push({ work, when }),
})

beforeEach(() => {
  record.value = exampleClass({ levels: [], marks: [], attendance: [] })
  sent = []
  given = []
})

it('a level over the one before, typed twice: each is over what stood when it was typed', () => {
  for (const symbol of ['2', '3']) writes.settleLevels('skill', [{ studentId: '1', about: 's1', symbol }])
  expect(sent.map(({ work, when }) => [work.key, when, work.body])).toEqual([
    ['cells', 'soon', { levels: [expect.objectContaining({ symbol: '2', was: null })] }],
    ['cells', 'soon', { levels: [expect.objectContaining({ symbol: '3', was: '2' })] }],
  ])
  expect(record.value.levels.map(({ symbol }) => symbol)).toEqual(['3'])
})

it('a mark goes out at once with what is proposed now, unless it says what was', () => {
  const mark = { percent: 80, special: null, reason: null }
  writes.settleMarks([{ studentId: '1', subject: 'mathematics', mark }])
  writes.settleMarks([{ studentId: '1', subject: 'mathematics', mark: { ...mark, percent: 81, proposed: 12 } }])
  const bodies = sent.map(({ work }) => (work.kind === 'marks' ? work.body.marks[0] : undefined))
  expect(bodies.map((each) => [each?.mark?.percent, each?.was?.percent ?? null])).toEqual([
    [80, null],
    [81, 80],
  ])
  expect(bodies[0]?.mark).toHaveProperty('proposed')
  expect(bodies[1]?.mark?.proposed).toBe(12)
  expect(sent.every(({ when }) => when === undefined)).toBe(true)
})

it('several at once have a key of their own, so that nothing typed later falls into them', () => {
  const cells = ['1', '2'].map((studentId) => ({ studentId, about: 's1', symbol: '2' }))
  writes.settleLevels('skill', cells)
  writes.settleLevels('skill', cells)
  expect(new Set(sent.map(({ work }) => work.key)).size).toBe(2)
  expect(sent.every(({ work, when }) => work.key !== 'cells' && when === 'now')).toBe(true)
})

it('attendance is over the days that stood', () => {
  for (const absences of [1, 2]) writes.giveAttendance([{ studentId: '1', daysOpen: 60, absences, lates: 0 }])
  const days = sent.map(({ work }) => (work.kind === 'attendance' ? work.body.attendance[0] : undefined))
  expect(days.map((each) => [each?.days?.absences, each?.was?.absences ?? null])).toEqual([
    [1, null],
    [2, 1],
  ])
})

it('a note for another class is sent there and not shown here', () => {
  const note = { date: '2027-02-01', kind: null, about: '', text: 'Sang.', symbol: null, mayTell: true }
  writes.writeNote({ id: 'elsewhere 1', studentId: '1', note, was: null }, 'elsewhere')
  expect(record.value.observations.some(({ id }) => id === 'elsewhere 1')).toBe(false)
  writes.writeNote({ id: 'here 1', studentId: '1', note, was: null }, 'here')
  expect(record.value.observations.some(({ id }) => id === 'here 1')).toBe(true)
})
