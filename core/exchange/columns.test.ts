import { describe, expect, it } from 'vitest'
import { guessGradebook } from './guessGradebook'
import { planImport } from './planImport'
import { readTable } from './readTable'

const child = (schoolNumber: string, legalGiven: string, family: string) => ({
  ...{ id: schoolNumber, schoolNumber, legalGiven, usedName: legalGiven, family },
})
const columnsOf = (lines: readonly string[], children: readonly ReturnType<typeof child>[] = []) =>
  guessGradebook(readTable(lines.join('\n')), [], { children }).columns

describe('columns that only the class tells', () => {
  const children = [child('4101', 'Maya', 'Reed'), child('4102', 'Kit', 'Will'), child('4103', 'Will', 'Moss')]
  it('are found under headings nobody knows, a given name that is also a family name or not', () => {
    const rows = ['4101;Reed;Maya;7', '4102;Will;Kit;8', '4103;Moss;Will;9']
    expect(columnsOf(['Ref. nr;A;B;Quiz', ...rows], children)).toEqual(['number', 'family name', 'given name', 'score'])
  })
  it('are no quiz whose scores happen to be school numbers', () => {
    const small = [child('7', 'Maya', 'Reed'), child('8', 'Kit', 'Will'), child('9', 'Will', 'Moss')]
    const rows = ['Maya Reed;9', 'Kit Will;7', 'Will Moss;8']
    expect(columnsOf(['Wer;Quiz', ...rows], small)).toEqual(['name', 'score'])
  })
  it('tell a row of maxima, which has no name, from a child whom the class does not know', () => {
    const rows = ['Maya Reed;9', 'Kit Will;7', 'Will Moss;8']
    const guess = (first: string) =>
      guessGradebook(readTable(['Name;Quiz', first, ...rows].join('\n')), [], { children }).describingRows
    expect([guess(';(10)'), guess('Perfect score;10'), guess('Ada Best;10')]).toEqual([
      { 2: 'out of' },
      { 2: 'out of' },
      {},
    ])
  })
})

describe('columns that work others out again', () => {
  it('are known by their figures, whatever they are called', () => {
    const rows = ['a;8;6;14;7;70', 'b;5;9;14;7;70', 'c;10;9;19;9.5;95', 'd;3;4;7;3.5;35']
    expect(columnsOf(['Name;One (10);Two (10);X;Y;Z', ...rows])).toEqual([
      ...['name', 'score', 'score', 'ignore', 'ignore', 'ignore'],
    ])
  })
  it('are none where one row says otherwise, or where two rows agree by chance', () => {
    expect(columnsOf(['Name;One;Two;X', 'a;8;6;14', 'b;5;9;14', 'c;10;9;20'])).toEqual([
      ...['name', 'score', 'score', 'score'],
    ])
    expect(columnsOf(['Name;One;Two;X', 'a;8;6;14', 'b;5;8;13'])).toEqual(['name', 'score', 'score', 'score'])
  })
})

it('so many thousands are no score where commas part the cells; elsewhere a comma is a decimal', () => {
  expect(columnsOf(['Name,Steps,Quiz', 'a,"41,200",8.5', 'b,"38,050",7.5'])).toEqual(['name', 'ignore', 'score'])
  expect(columnsOf(['Name;Quiz', 'a;3,333', 'b;4,667'])).toEqual(['name', 'score'])
})

it('a total of a long file is left out and named', () => {
  const children = [child('4101', 'Maya', 'Reed'), child('4102', 'Kit', 'Moss')]
  const lines = ['Student;Task;Score;Max', 'Maya Reed;Plan;8;10', 'Maya Reed;Total;8;10', 'Kit Moss;Plan;7;10']
  const table = readTable(lines.join('\n'))
  const plan = planImport(table, guessGradebook(table, [], { children }), {
    ...{ students: children, work: [], results: [], categories: [] },
  })
  expect(plan.work.map(({ work }) => work.title)).toEqual(['Plan'])
  expect(plan.notes).toEqual(['Row 3 (Maya Reed) adds the others up and was left out.'])
})
