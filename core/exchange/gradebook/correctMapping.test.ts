import { expect, it } from 'vitest'
import { correctMapping, type Correction } from './correctMapping'
import type { GradebookMapping } from './gradebookMapping'
import { guessGradebook } from './guessGradebook'
import { planImport, soleCandidates } from './planImport'
import { readTable } from '../files/readTable'

// What one correction of a teacher's does to how a file is read.
const children = ['Finn Reed', 'Umi Sato', 'Zoë Bell'].map((name, at) => {
  const [usedName = '', family = ''] = name.split(' ')
  return { id: `s${at}`, schoolNumber: `10${at}`, legalGiven: usedName, usedName, family }
})
const nothingYet = { students: children, work: [], results: [], categories: [] }

function corrected(text: string, ...corrections: Correction[]): { mapping: GradebookMapping; came: string[] } {
  const table = readTable(text)
  const mapping = corrections.reduce(
    (before, correction) => correctMapping(table, before, correction, children),
    guessGradebook(table, [], { children }),
  )
  const { results } = planImport(table, mapping, nothingYet)
  return {
    mapping,
    came: results.map(({ title, studentId, score, state }) => `${title} ${studentId} ${score ?? state}`),
  }
}

const efforts = 'Name,Test 1,Effort 1,Test 2,Effort 2\nFinn Reed,17,3,24,2\nUmi Sato,14,1,20,3\nZoë Bell,9,2,15,1\n'

it('columns that are alike, with others between them, go along and come back', () => {
  const left = corrected(efforts, { column: 2, role: 'ignore' })
  expect(left.mapping.columns).toEqual(['name', 'score', 'ignore', 'score', 'ignore'])
  expect(corrected(efforts, { column: 2, role: 'ignore' }, { column: 4, role: 'score' }).mapping.columns).toEqual(
    corrected(efforts).mapping.columns,
  )
})

it('of columns that stand side by side one is left out by itself', () => {
  const quizzes = 'Name,Quiz 1,Quiz 2,Quiz 3\nFinn Reed,7,3,4\nUmi Sato,4,1,2\nZoë Bell,9,2,5\n'
  expect(corrected(quizzes, { column: 2, role: 'ignore' }).mapping.columns).toEqual([
    ...['name', 'score', 'ignore', 'score'],
  ])
})

it('a column of which a file has one takes the place of the one that was', () => {
  const text = 'A,B,Quiz\nFinn Reed,Umi Sato,7\nUmi Sato,Zoë Bell,8\nZoë Bell,Finn Reed,9\n'
  expect(corrected(text, { column: 1, role: 'name' }).came).toEqual(['Quiz s1 7', 'Quiz s2 8', 'Quiz s0 9'])
})

it('a column that tells the work makes a row per result, and a row per student again when it does not', () => {
  const text = 'Who,What,Got\nFinn Reed,Maps,7\nUmi Sato,Maps,8\nFinn Reed,Rivers,9\n'
  const long = corrected(text, { column: 1, role: 'work' })
  expect(long.came).toEqual(['Maps s0 7', 'Maps s1 8', 'Rivers s0 9'])
  expect(corrected(text, { column: 1, role: 'work' }, { column: 1, role: 'ignore' }).mapping).toEqual(
    corrected(text).mapping,
  )
})

it('other headings are read anew; what only the teacher knows stays', () => {
  const text = 'Read by Ms Bell\nNames here,Essay (20)\nName,First term\nFinn Reed,17\nUmi Sato,14\nZoë Bell,9\n'
  const table = readTable(text)
  const before = { ...guessGradebook(table, [], { children }), outOf: 30, signs: { z: 'excused' as const } }
  const after = correctMapping(table, before, { row: 2, is: 'headings' }, children)
  expect(after).toMatchObject({ headingRow: 2, outOf: 30, signs: { z: 'excused' } })
  const without = correctMapping(table, after, { row: 3, is: 'nothing' }, children)
  expect(planImport(table, without, nothingYet).work[0]?.work).toMatchObject({ title: 'Essay', outOf: 20 })
})

it('a row can be what there was to reach, and a child again', () => {
  const text = 'Name,Quiz\nBest in the world,20\nFinn Reed,17\nUmi Sato,14\nZoë Bell,9\n'
  const most = corrected(text, { row: 2, is: 'out of' }).mapping.describingRows
  expect(most).toEqual({ '2': 'out of' })
  expect(corrected(text, { row: 2, is: 'out of' }, { row: 2, is: 'child' }).mapping).toEqual(corrected(text).mapping)
})

it('headings at the foot have their children above', () => {
  expect(corrected('Finn Reed,17\nUmi Sato,14\nZoë Bell,9\nName,Quiz\n').came).toEqual([
    ...['Quiz s0 17', 'Quiz s1 14', 'Quiz s2 9'],
  ])
})

it('a sign of the teacher’s own is asked about, and read as was said', () => {
  const table = readTable('Name,Quiz,Map\nFinn Reed,z,8\nUmi Sato,Z,7\nZoë Bell,9,?\nFinn Bell,4,5\nUmi Reed,3,3\n')
  const guess = guessGradebook(table, [], { children })
  const asked = planImport(table, guess, nothingYet)
  expect(asked.signs).toEqual([
    { written: 'z', times: 2 },
    { written: '?', times: 1 },
  ])
  const plan = planImport(table, { ...guess, signs: { 'z': 'excused', '?': 'nothing' } }, nothingYet)
  expect(plan.results.filter(({ state }) => state === 'excused')).toHaveLength(2)
  expect([plan.signs, plan.results.length]).toEqual([[], 5])
})

it('what is below zero has no sign, and a word that objects know by themselves is one', () => {
  const table = readTable('Name,Quiz\nFinn Reed,-2\nUmi Sato,constructor\nZoë Bell,9\nFinn Reed,8\n')
  const guess = { ...guessGradebook(table, [], { children }), columns: ['name' as const, 'score' as const] }
  expect(planImport(table, guess, nothingYet).signs).toEqual([{ written: 'constructor', times: 1 }])
})

it('one piece of work with its maximum and without is one', () => {
  const { came, mapping } = corrected('Name,Work,Score\nFinn Reed,Atlas (30),7\nUmi Sato,Atlas,8\nZoë Bell,atlas,9\n')
  expect([mapping.shape, came]).toEqual(['long', ['Atlas s0 7', 'Atlas s1 8', 'Atlas s2 9']])
})

it('a wide file may tell the maximum beside each score', () => {
  const text = 'Name,Quiz,A,Test,B\nFinn Reed,7,10,16,20\nUmi Sato,8,10,18,20\nZoë Bell,9,10,15,20\n'
  const { mapping } = corrected(text, { column: 2, role: 'out of' }, { column: 4, role: 'out of' })
  const plan = planImport(readTable(text), mapping, nothingYet)
  expect(plan.work.map(({ work }) => `${work.title} ${work.outOf}`)).toEqual(['Quiz 10', 'Test 20'])
})

it('those who can be only one student can be answered in one step, unless two are the same', () => {
  const candidate = (id: string) => ({ id, name: id })
  const doubt = (written: string, ...ids: string[]) => ({ written, rows: [1], candidates: ids.map(candidate) })
  const umi = doubt('Umi', 's1', 's2')
  expect(soleCandidates([doubt('Finn', 's0'), umi])).toEqual({ Finn: 's0' })
  expect(soleCandidates([doubt('Zoë', 's2'), umi])).toEqual({})
})
