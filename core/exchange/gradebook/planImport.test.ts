import { expect, it } from 'vitest'
import { guessGradebook } from './guessGradebook'
import type { GradebookMapping } from './gradebookMapping'
import { planImport, type ImportPlan } from './planImport'
import { readTable } from '../files/readTable'

// Whole plans, with all that a teacher is told before anything is done.
const student = (id: string, usedName: string, family: string) => ({
  id,
  schoolNumber: `10${id}`,
  legalGiven: usedName,
  usedName,
  family,
})
const students = [student('1', 'Finn', 'Reed'), student('2', 'Umi', 'Sato'), student('3', 'Umi', 'Stone')]
const known = {
  students,
  work: [{ id: 'w', title: 'Quiz', category: 'q', date: '2026-10-05', outOf: 20, weight: 1, counts: true }],
  results: [{ workId: 'w', studentId: '1', state: 'scored' as const, score: 17, remark: '' }],
  categories: [
    { key: 'q', name: 'Quizzes', weight: 40, isExam: false },
    { key: 'p', name: 'Projects', weight: 60, isExam: false },
  ],
}
function plan(
  text: string,
  change: (guessed: GradebookMapping) => GradebookMapping = (guessed) => guessed,
): ImportPlan {
  const table = readTable(text)
  return planImport(table, change(guessGradebook(table, ['Quizzes', 'Projects'])), known)
}

it('what stands, what is new and what nobody can place, in one plan', () => {
  const text = `Name,Quiz,Map
Out of,25,10
Category,projects,Essays
Date,2026-10-06,2026-10-07
"Reed, Finn",17,9
Umi,12,8
Nobody Here,3,4
"Reed, Finn",18,
,5,`
  const result = (title: string, score: number, change: string, before: object | null) => ({
    row: 5,
    studentId: '1',
    title,
    state: 'scored',
    score,
    remark: '',
    change,
    before,
  })
  const work = { weight: 1, counts: true }
  const { work: plannedWork, ...rest } = plan(text)
  expect(plannedWork).toEqual([
    {
      work: { ...work, title: 'Quiz', category: 'projects', date: '2026-10-06', outOf: 25 },
      categoryKey: 'p',
      change: 'changed',
      existing: known.work[0],
      changes: ['out of 20 → 25', 'category q → projects', 'date 2026-10-05 → 2026-10-06'],
    },
    {
      work: { ...work, title: 'Map', category: 'Essays', date: '2026-10-07', outOf: 10 },
      categoryKey: null,
      change: 'new',
      existing: null,
      changes: [],
    },
  ])
  expect(rest).toEqual({
    signs: [],
    newCategories: ['Essays'],
    categoryWeights: [],
    results: [result('Quiz', 17, 'unchanged', { state: 'scored', score: 17 }), result('Map', 9, 'new', null)],
    doubtful: [
      {
        written: 'Umi',
        rows: [6],
        candidates: [
          { id: '2', name: 'Umi Sato (102)' },
          { id: '3', name: 'Umi Stone (103)' },
        ],
      },
    ],
    refused: [
      { row: 7, column: '', value: 'Nobody Here', reason: 'No student of this class is called “Nobody Here”.' },
      { row: 8, column: 'Quiz', value: '18', reason: 'This student’s result for “Quiz” already came in row 5.' },
      { row: 9, column: '', value: '', reason: 'The row has scores but no student.' },
    ],
    notes: [],
  })
})

it('the teacher’s answer places a doubtful row; one that names nobody of the class is asked again', () => {
  const answered = (id: string) =>
    plan('Name,Quiz\nUmi,12\nUmi,missing', (guessed) => ({ ...guessed, people: { Umi: id } }))
  expect(answered('3').results).toMatchObject([{ studentId: '3', score: 12 }])
  expect(answered('3').refused).toEqual([
    {
      ...{ row: 3, column: 'Quiz', value: 'missing' },
      reason: 'This student’s result for “Quiz” already came in row 2.',
    },
  ])
  expect(answered('9')).toMatchObject({ results: [], doubtful: [{ written: 'Umi', rows: [2, 3] }] })
})

it('what cannot be read is refused with its place, and hides nothing that can', () => {
  const text = `Name,Quiz,Map /ten,Sheet
Out of,,lots,10
Date,2026-10-06,soon,2026-10-08
Finn Reed,n,9,12
Umi Sato,9,8,7
Umi Stone,8,9,x`
  const { refused, results } = plan(text)
  expect(refused.map(({ row, column }) => [row, column])).toEqual([
    [2, 'Map /ten'],
    [3, 'Map /ten'],
    [4, 'Quiz'],
    [4, 'Sheet'],
    [6, 'Sheet'],
  ])
  expect(results.map((each) => `${each.studentId} ${each.title} ${each.score}`)).toEqual([
    '2 Quiz 9',
    '3 Quiz 8',
    '1 Map /ten 9',
    '2 Map /ten 8',
    '3 Map /ten 9',
    '2 Sheet 7',
  ])
})

it('a long file tells of each row’s work, and leaves as it stands what it does not tell', () => {
  const text = `Number,Work,Score,Out of,Category,Date
101,Quiz,16,,,
102,Quiz,15/25,,,
103,Essay,7,10,Projects,8.10.2026
103,,4,10,,
103,Poem,4,none,,
103,Song,4,10,,someday`
  const { work, refused } = plan(text)
  expect(
    work.map((each) => [each.work.title, each.work.outOf, each.work.category, each.work.date, each.change]),
  ).toEqual([
    ['Quiz', 20, 'Quizzes', '2026-10-05', 'unchanged'],
    ['Essay', 10, 'Projects', '2026-10-08', 'new'],
    ['Poem', 100, 'Quizzes', null, 'new'],
    ['Song', 10, 'Quizzes', null, 'new'],
  ])
  expect(refused.map(({ row, column, value }) => [row, column, value])).toEqual([
    [3, 'Score', '15/25'],
    [5, 'Work', ''],
    [6, 'Out of', 'none'],
    [7, 'Date', 'someday'],
  ])
})

it('weights beside the names of categories: what is otherwise, what is new, a name that only ends like one', () => {
  const weighed = plan(
    'Name,Quiz,Map,Song,Play\nCategory,Quizzes (25%),Essays 35 %,projects (weight 60),Acts (2)\nFinn Reed,9,8,7,6',
  )
  expect(weighed.work.map(({ work }) => work.category)).toEqual(['Quizzes', 'Essays', 'projects', 'Acts (2)'])
  expect(weighed.newCategories).toEqual(['Essays', 'Acts (2)'])
  expect(weighed.categoryWeights).toEqual([
    { key: 'q', name: 'Quizzes', weight: 25, before: 40 },
    { key: null, name: 'Essays', weight: 35, before: null },
  ])
  const long = plan('Name,Work,Category,Score\nFinn Reed,Quiz,Quizzes 40%,9')
  expect([long.newCategories, long.categoryWeights]).toEqual([[], []])
})
