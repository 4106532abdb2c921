import { expect, it } from 'vitest'
import { blankTableProblem } from './blankTable'

// Worked by hand: A4 is 210 mm wide, less two margins of 54 points (19.05 mm) 172; of these 40 are for the names.
const table = (width: number, landscape = false) => ({
  ...{ title: 'Choir', columns: [{ title: 'Sang', width }], rowHeight: 9, names: 'given first' as const, landscape },
})

it.each([
  [132, false, 'A4', null],
  [132.5, false, 'A4', 'The columns are 1 mm too wide together for A4. Make some narrower, or turn the paper.'],
  [219, true, 'A4', null],
  [221, true, 'A4', 'The columns are 2 mm too wide together for A4. Make some narrower.'],
  [138, false, 'Letter', null],
  [139, false, 'Letter', 'The columns are 1 mm too wide together for Letter. Make some narrower, or turn the paper.'],
] as const)('columns of %s mm, turned: %s, on %s', (width, landscape, paper, problem) => {
  expect(blankTableProblem(table(width, landscape), paper)).toBe(problem)
})
