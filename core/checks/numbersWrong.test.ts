import { describe, expect, it } from 'vitest'
import { exampleClass, exampleComment } from '../../tests/exampleClass'
import { indexRecord } from '../record/recordIndex'
import { numbersWrong } from './numbersWrong'

const record = exampleClass()
const [student] = record.students
const box = { key: 'general', name: 'General comment', subject: null, limit: 800, tone: '', plan: [] }
function wrong(text: string, absences: number): string[] {
  if (!student) throw new Error('An example class has a student.')
  const index = indexRecord({
    ...record,
    boxes: [box],
    comments: [exampleComment(student.id, text)],
    attendance: [{ studentId: student.id, daysOpen: 60, absences, lates: 0 }],
  })
  return numbersWrong({ index, student, box, comment: undefined, text }).map(({ start, end }) => text.slice(start, end))
}

/** By their value, from none on; written here once more, by hand. */
const words = [
  ...['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
  ...['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen', 'twenty'],
]

describe('a number of days in words', () => {
  it.each(words.map((word, value) => [word, value] as const))(
    '“%s” is %i, and neither one more nor one less',
    (word, value) => {
      const text = `She missed ${word} days of school this term.`
      expect(wrong(text, value)).toEqual([])
      expect(wrong(text, value + 1)).toHaveLength(1)
      if (value > 0) expect(wrong(text, value - 1)).toHaveLength(1)
    },
  )

  it('is read with a half too', () => {
    expect(
      ['She missed 2.5 days.', 'She missed 2½ days.', 'She had 2,5 absences.'].map((text) => wrong(text, 2.5)),
    ).toEqual([[], [], []])
    expect([wrong('She missed 2.5 days.', 5).length, wrong('She had 2.5 absences.', 5).length]).toEqual([1, 1])
  })

  it('is read in figures too, and “zero” is “no”', () => {
    expect([wrong('She missed 7 days.', 7), wrong('She missed zero days.', 0)]).toEqual([[], []])
    expect([wrong('She missed 7 days.', 8).length, wrong('She missed zero days.', 1).length]).toEqual([1, 1])
  })
})
