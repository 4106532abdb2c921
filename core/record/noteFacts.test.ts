import { expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { ClassRecord } from './classRecord'
import { noteFacts } from './noteFacts'
import { indexRecord } from './recordIndex'

type Note = ClassRecord['observations'][number]
const [student] = exampleClass().students
const note = (id: string, change: Partial<Note> = {}): Note => ({
  ...{ id, studentId: '1', date: '2027-02-01', kind: 'habit', about: 'care', text: 'Helped to tidy the books.' },
  ...{ symbol: null, mayTell: true, by: null, own: true },
  ...change,
})
const told = (notes: Note[], subject: string | null = null): string[] => {
  if (!student) throw new Error('the example class is empty')
  return noteFacts(indexRecord(exampleClass({ observations: notes })), student, subject).map(({ id }) => id)
}

it('a note is told only where its teacher said that it may be, in its term, from the first day to the last', () => {
  expect(told([note('mine', { mayTell: false })])).toEqual([])
  const days = ['2027-01-10', '2027-01-11', '2027-03-26', '2027-03-27']
  expect(told(days.map((date) => note(date, { date })))).toEqual(['2027-03-26', '2027-01-11'])
})

it('a note belongs to one box: its skill’s or its work’s subject, or else the general comment', () => {
  const notes = [
    note('skill', { kind: 'skill', about: 's1' }),
    note('work', { kind: 'work', about: 'w1' }),
    note('habit'),
  ]
  expect([told(notes).sort(), told(notes, 'sums').sort(), told(notes, 'art')]).toEqual([
    ['habit'],
    ['skill', 'work'],
    [],
  ])
})

it('what is private, names another child or is no sentence is told nowhere', () => {
  expect(told([note('other', { text: 'Helped Sam to tidy the books.' })])).toEqual([])
  const [word] = exampleClass().school.checks.privateMatters.flatMap(({ words }) => words)
  expect(told([note('private', { text: `Spoke of the ${word} to us.` })])).toEqual([])
})

it('its reason is the note as it is told', () => {
  if (!student) throw new Error('the example class is empty')
  const [fact] = noteFacts(indexRecord(exampleClass({ observations: [note('n')] })), student, null)
  expect(fact).toMatchObject({ id: 'n', date: '2027-02-01', because: { kind: 'note', about: 'n', termId: 't2' } })
  expect(fact?.because).toMatchObject({ text: expect.stringMatching(/^Note of 2027-02-01: .*tidy the books/) })
})
