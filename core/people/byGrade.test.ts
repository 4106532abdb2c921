import { describe, expect, it } from 'vitest'
import { gradeOfClass, inGrade, readByGrade, writeByGrade } from './byGrade'

const rules = [
  { grades: { from: 1, to: 3 }, is: 200 },
  { grades: { from: 3, to: 4 }, is: 250 },
]

describe('what holds in some grades', () => {
  it.each([
    ['1', 200],
    ['3', 200],
    ['4', 250],
    ['5', 500],
    ['kindergarten', 500],
    [null, 500],
  ])('in grade %s %i', (grade, expected) => {
    expect(inGrade(rules, grade, 500)).toBe(expected)
  })
  it('a class goes by its lowest grade', () => {
    expect([gradeOfClass(['10', '9']), gradeOfClass(['K', '1']), gradeOfClass(['K']), gradeOfClass([])]).toEqual([
      ...['9', '1', null, null],
    ])
  })
  it('is written and read again', () => {
    expect(writeByGrade(rules)).toBe('1-3: 200; 3-4: 250')
    expect(readByGrade(writeByGrade(rules), Number)).toEqual(rules)
    expect([readByGrade('', Number), writeByGrade(undefined)]).toEqual([[], ''])
  })
  it.each(['1-3', '3-1: 200', 'all: 200', ': 200', '1: 200; 2'])('“%s” cannot be read', (written) => {
    expect(readByGrade(written, Number)).toBeUndefined()
  })
})
