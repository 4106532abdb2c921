import { describe, expect, it } from 'vitest'
import { guessGradebook } from './guessGradebook'
import { planImport } from './planImport'
import { readScore } from './readScore'
import { readTable } from '../files/readTable'
import { columnNotes } from './tableProblem'

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
  it('are left out aloud, and ticks that happen to be the highest before them are work', () => {
    const rows = ['Name,Map,Poster,Diary,Total', 'a,1,1,1,3', 'b,0,1,1,2', 'c,1,0,1,2', 'd,0,0,0,0']
    expect(columnsOf(rows)).toEqual(['name', 'score', 'score', 'score', 'ignore'])
    const table = readTable(rows.join('\n'))
    const mapping = guessGradebook(table, [])
    expect(columnNotes(table, mapping)).toEqual([
      'Left out, though there are figures in it: “Total”. If it is work, choose Score above it.',
    ])
  })
  it('are also what two differ by, for everybody', () => {
    const rows = ['a;9;17;8', 'b;8;14;6', 'c;15;14;-1', 'd;5;9;4']
    expect(columnsOf(['Name;Before;After;Gain', ...rows])).toEqual(['name', 'score', 'score', 'ignore'])
    expect(columnsOf(['Name;Before;After;Gain', ...rows, 'e;4;9;6'])[3]).toBe('score')
    // Ticks are so by chance.
    expect(columnsOf(['Name;One;Two;Three', 'a;0;1;1', 'b;1;1;0', 'c;0;0;0', 'd;0;1;1'])[3]).toBe('score')
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

it.each([
  // A carer’s name beside the child’s is nobody’s; the number that a school gives stays.
  [
    ['Wer;Name;Nr;Quiz', 'Maya Reed;Ada;4101;8', 'Kit Moss;Bo;4102;7'],
    ['name', 'ignore', 'number', 'score'],
  ],
  [
    ['Wer;Family name;Quiz', 'Maya Reed;Ada;8', 'Kit Moss;Bo;7'],
    ['name', 'ignore', 'score'],
  ],
  [
    ['Name;Nr;Quiz', 'Ada;4101;8', 'Bo;4102;7'],
    ['name', 'number', 'score'],
  ],
])('the class’s own children tell their columns: %j', (lines, roles) => {
  const children = [child('4101', 'Maya', 'Reed'), child('4102', 'Kit', 'Moss')]
  expect(guessGradebook(readTable(lines.join('\n')), [], { children }).columns).toEqual(roles)
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

it('work that the class has under its whole heading stays that work, in either shape', () => {
  const students = [child('4101', 'Maya', 'Reed')]
  const work = { id: 'w', title: 'Quiz (20 marks)', category: 'q', date: null, outOf: 20, weight: 1, counts: true }
  for (const text of ['Name,Quiz (20 marks)\nMaya Reed,17\n', 'Name,Work,Score\nMaya Reed,Quiz (20 marks),17\n']) {
    const table = readTable(text)
    const plan = planImport(table, guessGradebook(table, [], { children: students }), {
      ...{
        students,
        work: [work],
        results: [],
        categories: [{ key: 'q', name: 'Classwork', weight: 1, isExam: false }],
      },
    })
    expect(plan.work.map(({ change, work: { title, outOf } }) => [change, title, outOf])).toEqual([
      ['unchanged', 'Quiz (20 marks)', 20],
    ])
  }
})

it('a page of text in a cell is no score, and is told of in a line', () => {
  const read = readScore(`${'↑7 '.repeat(30_000)}`, 20)
  expect(read.kind === 'refused' && read.reason.length < 250).toBe(true)
})

describe('a column in per cent', () => {
  const mostOf = (lines: readonly string[]) => {
    const table = readTable(lines.join('\n'))
    const children = table.rows.slice(1).map(({ cells }) => child('', cells[0] ?? '', ''))
    const mapping = guessGradebook(table, [], { children })
    const plan = planImport(table, mapping, { students: children, work: [], results: [], categories: [] })
    return plan.work.map(({ work: { title, outOf } }) => `${title} of ${outOf}`)
  }
  it('tells what the scores beside it are out of, rounded as it may be', () => {
    expect(mostOf(['Name;Quiz;Percent', 'a;8;67', 'b;5;42', 'c;12;100'])).toEqual(['Quiz of 12'])
    expect(mostOf(['Name;Tries;Quiz;Rate', 'a;2;8;66,7%', 'b;1;5;41,7%', 'c;1;11;91,7%'])).toContain('Quiz of 12')
  })
  it('tells nothing where it does not agree for everybody, or is too coarse to tell', () => {
    expect(mostOf(['Name;Quiz;Percent', 'a;8;67', 'b;5;50', 'c;12;100'])).toEqual(['Quiz of 100'])
    expect(mostOf(['Name;Quiz;Percent', 'a;8;9', 'b;5;6', 'c;9;10'])).toEqual(['Quiz of 100'])
  })
  it('is not asked where a heading tells it', () => {
    expect(mostOf(['Name;Quiz (15);Percent', 'a;8;67', 'b;5;42', 'c;12;100'])).toEqual(['Quiz of 15'])
  })
})
