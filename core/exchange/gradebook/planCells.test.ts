import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readScore } from './readScore'
import { resultProblem } from '../../marks/resultProblem'
import { resultText, spokenResult } from '../../marks/resultText'
import { resultStates } from '../../marks/work'
import { usualWeight } from '../../marks/usualWeight'
import { planCells, readBlock } from './planCells'

const students = ['Maya', 'Sam', 'Kit'].map((usedName, at) => ({ id: String(at + 1), usedName }))
const piece = (id: string, outOf: number) => ({
  ...{ id, title: id, category: 'q', date: null, outOf, weight: 1, counts: true },
})
const grid = {
  students,
  work: [piece('quiz', 20), piece('map', 10)],
  remarkAt: (work: string, student: string) => (work === 'map' && student === '2' ? 'ill before' : ''),
}
const put = (text: string, row = 0, column = 0) => {
  const { cells, problems } = planCells(readBlock(text), { row, column }, grid)
  return [
    ...cells.map(({ workId, studentId, result }) => `${studentId} ${workId} ${result ? resultText(result) : 'empty'}`),
    ...problems,
  ]
}

// Blocks as they are pasted; written by hand before the code was run.
describe('a block of results', () => {
  it.each<[string, number, number, string[]]>([
    ['17\tm', 0, 0, ['1 quiz 17', '1 map m']],
    ['17,5\r\nex\r\n', 1, 0, ['2 quiz 17.5', '3 quiz ex']],
    ['8/10\n\n 9 ', 0, 1, ['1 map 8', '2 map empty', '3 map 9']],
    ['l 4', 1, 1, ['2 map l 4']],
    ['85%', 0, 0, ['1 quiz 17']],
    ['"7"', 0, 1, ['1 map 7']],
    ['21', 0, 0, ['Maya, quiz: “21” is above the maximum of 20.']],
    ['12\tten', 2, 0, ['Kit, map: “ten” is no score. Leave it empty, or write missing, late, excused or incomplete.']],
    ['1\n2', 2, 0, ['2 rows are more than the 1 student from here down. Nothing was put in.']],
    ['1\t2\t3', 0, 0, ['3 columns are more than the 2 pieces of work from here on. Nothing was put in.']],
    ['1\t2', 0, 1, ['2 columns are more than the 1 piece of work from here on. Nothing was put in.']],
  ])('%j at %i, %i', (text, row, column, expected) => {
    expect(put(text, row, column)).toEqual(expected)
  })
  it('keeps a remark where it is, and is told in a moment when ten thousand cells go over the edge', () => {
    const { cells } = planCells([['9']], { row: 1, column: 1 }, grid)
    expect(cells).toEqual([
      { workId: 'map', studentId: '2', result: { state: 'scored', score: 9, remark: 'ill before' } },
    ])
    expect(put(Array.from({ length: 10_000 }, () => '1').join('\n'))).toHaveLength(1)
  })
})

it('what stands in a cell is read as the result that it stands for', () => {
  const score = fc.double({ min: 0, max: 40, noNaN: true }).map((value) => Math.round(value * 4) / 4)
  fc.assert(
    fc.property(fc.constantFrom(...resultStates), fc.option(score), (state, given) => {
      const result = { state, score: given }
      fc.pre(resultProblem(result, 40) === null)
      expect(readScore(resultText(result), 40)).toMatchObject({ kind: 'result', state, score: given })
    }),
  )
})

it.each([
  [{ state: 'scored', score: null }, 'A score needs a number.'],
  [{ state: 'missing', score: 3 }, 'What is missing has no score.'],
  [{ state: 'excused', score: 0 }, 'What is excused has no score.'],
  [{ state: 'scored', score: -1 }, '-1 is below zero.'],
  [{ state: 'late', score: 11 }, '11 is more than the 10 that can be reached.'],
  [{ state: 'late', score: 10 }, null],
  [{ state: 'late', score: null }, null],
  [{ state: 'incomplete', score: 4 }, null],
  [{ state: 'missing', score: null }, null],
  [{ state: 'scored', score: 0 }, null],
] as const)('%j of 10: %s', (result, problem) => {
  expect(resultProblem(result, 10)).toBe(problem)
})

it('is spoken in words', () => {
  expect(spokenResult({ state: 'late', score: 12 }, 20)).toBe('12 of 20, late')
  expect(spokenResult({ state: 'scored', score: 7.5 }, 10)).toBe('7.5 of 10')
  expect(spokenResult({ state: 'missing', score: null }, 10)).toBe('missing')
})

it('a new category weighs what the others do', () => {
  expect([usualWeight([]), usualWeight([{ weight: 30 }, { weight: 50 }])]).toEqual([1, 40])
})
