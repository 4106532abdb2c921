import { expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { checkComment } from '../checks/checkComment'
import { familyFacts } from '../reports/familyFacts'
import { studentProgress } from '../terms/progress'
import { acrossSubjects } from './acrossSubjects'
import type { ClassRecord } from './classRecord'
import { writeComments } from './draftBox'
import { narrativeFacts } from './narrativeFacts'
import { needsALook } from './needsALook'
import { indexRecord } from './recordIndex'
import { takersOf } from './takers'

const whole = exampleClass()
const [first, ...others] = whole.students
if (!first) throw new Error('The example has nobody.')
const without: ClassRecord = { ...whole, students: [{ ...first, notTaking: ['sums'] }, ...others] }
const [all, less] = [indexRecord(whole), indexRecord(without)]
const [general, sums] = whole.boxes
if (!general || !sums) throw new Error('The example has no boxes.')
const student = less.student(first.id) ?? first

it('of a subject that a child does not take nothing is owed, told, found or printed, whatever is kept of it', () => {
  expect(takersOf(without.students, 'sums')).toEqual(others)
  expect(takersOf(without.students, null)).toBe(without.students)
  const progress = (index: typeof all) => studentProgress(index, first.id, ['sums'], false)
  expect(progress(all)).not.toEqual(progress(less))
  expect(progress(less)).toMatchObject({ gather: { done: 0, of: 0 }, write: { of: 1 }, read: { of: 1 } })
  expect(progress(less).settle.of).toBe(whole.habits.length)
  expect(acrossSubjects(all, first.id).marks.map(({ subject }) => subject)).toEqual(['sums'])
  expect(acrossSubjects(less, first.id).marks).toEqual([])
  expect(familyFacts(all, first).subjects.map(({ name }) => name)).toEqual(['Sums'])
  expect(familyFacts(less, student).subjects).toEqual([])
  expect(checkComment(all, first, sums).length).toBeGreaterThan(0)
  expect(checkComment(less, student, sums)).toEqual([])
  expect(needsALook(less, ['sums']).filter(({ studentId }) => studentId === first.id)).toEqual([])
  const facts = narrativeFacts(less, first.id, general)
  expect([facts.whole?.skills, facts.counts.late, facts.counts.missing]).toEqual([null, 0, 0])
})

it('is not written about in it, while the others are', () => {
  const boxesOf = (record: ClassRecord) =>
    writeComments({ ...record, comments: [] }).flatMap(({ studentId, box, text }) =>
      text !== '' && box === 'sums' ? studentId : [],
    )
  const written = boxesOf(whole)
  expect(written).toContain(first.id)
  expect(boxesOf(without)).toEqual(written.filter((id) => id !== first.id))
})
