import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { categoryProblems } from './categoryProblems'
import { marksUnder } from './marksUnder'
import { indexRecord } from './recordIndex'

const quizzes = { key: 'Quizzes', name: 'Quizzes', weight: 30, isExam: false }
const exam = { key: 'exam', name: 'Exam', weight: 70, isExam: false }

describe('categories that can be kept', () => {
  it('weigh anything but nothing, and hold the work that is in', () => {
    expect(categoryProblems([], new Map())).toEqual([])
    expect(categoryProblems([quizzes, { ...exam, weight: 130 }], new Map([['Quizzes', 2]]))).toEqual([])
    expect(categoryProblems([{ ...quizzes, weight: 0 }, exam], new Map())).toEqual([])
  })
  it.each([
    [[{ ...quizzes, name: ' ' }], 'A category needs a name.'],
    [[quizzes, { ...exam, name: 'QUIZZES' }], 'There are two categories “QUIZZES”.'],
    [[{ ...quizzes, weight: -1 }], 'The weight of “Quizzes” is no number of 0 or more.'],
    [[{ ...quizzes, weight: NaN }], 'The weight of “Quizzes” is no number of 0 or more.'],
    [[{ ...quizzes, weight: 0 }], 'The weights add up to nothing, so that there would be no mark.'],
  ])('%j: %s', (categories, problem) => {
    expect(categoryProblems(categories, new Map())).toEqual([problem])
  })
  it('say what work is in one that shall go', () => {
    const inUse = new Map([
      ['Quizzes', 1],
      ['tests', 3],
      ['empty', 0],
    ])
    expect(categoryProblems([exam], inUse)).toEqual([
      '1 piece of work is in “Quizzes”, which can weigh 0 but not go.',
      '3 pieces of work are in “tests”, which can weigh 0 but not go.',
    ])
  })
})

it('whose marks would change is worked out from the results, as they would be shown', () => {
  const made = exampleClass()
  const record = {
    ...made,
    categories: [...made.categories, { subject: 'sums', key: 'exam', name: 'Exam', weight: 1, isExam: false }],
    work: made.work.map((piece) => (piece.id === 'w2' ? { ...piece, category: 'exam' } : piece)),
  }
  const index = indexRecord(record)
  // 6 of 10 in the quiz, 9 of 10 in the exam: half and half 75, three to one 67.5 and so 68, exam alone 90.
  const under = (quiz: number, exams: number) =>
    marksUnder(index, 'sums', [
      { key: 'Quizzes', name: 'Quizzes', weight: quiz, isExam: false },
      { key: 'exam', name: 'Exam', weight: exams, isExam: false },
    ])
  expect(under(3, 1)).toEqual([{ studentId: '1', before: 75, after: 68 }])
  expect(under(0, 1)).toEqual([{ studentId: '1', before: 75, after: 90 }])
  expect(under(50, 50.1)).toEqual([])
  expect(marksUnder(index, 'sums', [])).toEqual([{ studentId: '1', before: 75, after: null }])
})
