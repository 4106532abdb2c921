import { expect, it } from 'vitest'
import { exampleClass, exampleComment as comment } from '../../tests/exampleClass'
import { indexRecord } from '../record/recordIndex'
import { sameText } from './sameText'

const words = Array.from({ length: 24 }, (_, nth) => `word${nth}`)

/** Whether the first student's text is found to be the second's, or nearly. */
function found(own: readonly string[], other: readonly string[]): boolean {
  const [mine, theirs] = [comment('1', own.join(' ')), comment('2', other.join(' '))]
  const record = exampleClass({ comments: [mine, theirs] })
  const [student, box] = [record.students[0], record.boxes[0]]
  if (!student || !box) throw new Error('no student or box')
  return sameText({ index: indexRecord(record), student, box, comment: mine, text: mine.text }).length === 1
}

// Nearly the same: no more than 12 in 100 words put in, taken out or exchanged. Of 24 words two may differ.
it.each([
  ['the very same words', 0, true],
  ['two words exchanged', 2, true],
  ['three words exchanged', 3, false],
])('of 24 words, %s', (_what, exchanged, same) => {
  expect(
    found(
      words,
      words.map((word, nth) => (nth < exchanged ? `other${nth}` : word)),
    ),
  ).toBe(same)
})

it('the order of words counts, and a longer text is not the same', () => {
  expect(found(words, [...words].reverse())).toBe(false)
  expect(found(words, [...words, 'and', 'more'])).toBe(true)
  expect(found(words, [...words, 'and', 'a', 'little', 'more'])).toBe(false)
})

it('names and pronouns aside; an empty text is nobody’s', () => {
  expect(found(['Maya', 'reads', 'her', 'book'], ['Sam', 'reads', 'their', 'book'])).toBe(true)
  expect(found(['Maya', 'reads'], [])).toBe(false)
})
