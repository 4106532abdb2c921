import { expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { withAttendance, withComment, withLevels, withMarks, withNote } from './withWritten'

const record = exampleClass()
const [comment] = record.comments

it('puts in what was written, takes away what was emptied, and leaves the rest as it is', () => {
  const mark = { percent: 60, special: null, reason: null }
  expect(withMarks(record, [{ studentId: '2', subject: 'sums', mark }]).marks).toEqual([
    ...record.marks,
    { studentId: '2', subject: 'sums', ...mark },
  ])
  expect(withMarks(record, [{ studentId: '1', subject: 'sums', mark: null }]).marks).toEqual([])
  expect(withLevels(record, 'habit', [{ studentId: '1', about: 'care', symbol: '3' }])).toEqual({
    habitScores: [{ studentId: '1', about: 'care', symbol: '3' }],
  })
  expect(withLevels(record, 'skill', [{ studentId: '1', about: 's2', symbol: null }]).levels).toEqual(
    record.levels.filter(({ about }) => about !== 's2'),
  )
  expect(withAttendance(record, [{ studentId: '1', days: null }]).attendance).toEqual([])
  if (!comment) throw new Error('There is no comment.')
  const other = { ...comment, text: 'Maya adds.' }
  expect(withComment(record, other).comments).toEqual([other])
})

it('keeps who wrote a note, and notes in the order of their days', () => {
  const note = { date: '2027-01-20', kind: null, about: '', symbol: null, text: 'Asked why.', mayTell: true }
  const { observations = [] } = withNote(record, { id: 'n2', studentId: '2', note })
  expect(observations.map(({ id, own }) => [id, own])).toEqual([
    ['n2', true],
    ['n1', false],
  ])
  const changed = withNote({ ...record, observations }, { id: 'n1', studentId: '1', note }).observations
  expect(changed?.find(({ id }) => id === 'n1')).toEqual({ ...note, id: 'n1', studentId: '1', by: null, own: false })
  expect(withNote(record, { id: 'n1', studentId: '1', note: null }).observations).toEqual([])
})
