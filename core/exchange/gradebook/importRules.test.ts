import { describe, expect, it } from 'vitest'
import { FolderReader } from '../folder/folderReader'
import { readAttendance } from '../folder/readStudentFiles'
import { guessGradebook } from './guessGradebook'
import { planImport, type KnownResult } from './planImport'
import { readDate } from '../files/readDate'
import { readScore, unitOf } from './readScore'
import { readTable } from '../files/readTable'

// What an import must not change by itself, each rule with the smallest file that would break it.
const students = ['1', '2'].map((id) => ({
  id,
  schoolNumber: `10${id}`,
  legalGiven: id === '1' ? 'Finn' : 'Umi',
  usedName: id === '1' ? 'Finn' : 'Umi',
  family: 'Reed',
}))
const quiz = { id: 'w', title: 'Quiz', category: 'q', date: '2026-10-05', outOf: 20, weight: 1, counts: true }
function plan(text: string, results: KnownResult[] = []) {
  const table = readTable(text)
  const categories = [{ key: 'q', name: 'Quizzes', weight: 1, isExam: false }]
  return planImport(table, guessGradebook(table, ['Quizzes']), { students, work: [quiz], results, categories })
}
const standing: KnownResult = { workId: 'w', studentId: '1', state: 'scored', score: 17, remark: 'missed the bus' }

describe('a remark', () => {
  it('stays where a later file says none, and the same score is no change', () => {
    expect(plan('Number,Quiz\n101,17\n', [standing]).results).toMatchObject([
      { change: 'unchanged', remark: 'missed the bus', score: 17 },
    ])
    expect(plan('Number,Quiz\n101,18\n', [standing]).results).toMatchObject([
      { change: 'changed', remark: 'missed the bus', score: 18, before: { score: 17, state: 'scored' } },
    ])
  })
  it('gives way to another one', () => {
    const long = 'Number,Work,Score,Remark\n101,Quiz,17,by mail\n'
    expect(plan(long, [standing]).results).toMatchObject([{ change: 'changed', remark: 'by mail', score: 17 }])
  })
})

describe('a result that stands', () => {
  it('changes with its state alone', () => {
    expect(plan('Number,Quiz\n101,late 17\n', [standing]).results).toMatchObject([{ change: 'changed', state: 'late' }])
  })
  it('of another student is another result', () => {
    expect(plan('Number,Quiz\n102,17\n', [standing]).results).toMatchObject([{ change: 'new', studentId: '2' }])
  })
})

describe('over the maximum', () => {
  it.each([
    ['100 %', 20, 20],
    ['20', 20, 20],
    ['20/20', null, 20],
  ])('“%s” of %s is taken', (written, outOf, score) => {
    expect(readScore(written, outOf)).toMatchObject({ kind: 'result', score })
  })
  it.each([
    ['101 %', 20, /more than 100 %/],
    ['20.5', 20, /above the maximum of 20/],
    ['21/20', null, /above the maximum of 20/],
    ['-0.5', 20, /below zero/],
  ])('“%s” of %s is refused', (written, outOf, reason) => {
    const read = readScore(written, outOf)
    expect(read.kind === 'refused' && read.reason).toMatch(reason)
  })
  it('zero is a score', () => {
    expect(readScore('0', 20)).toMatchObject({ kind: 'result', state: 'scored', score: 0 })
  })
})

describe('a number with a comma in it, without quotation marks', () => {
  const told = (text: string) => {
    const { results, refused, notes } = plan(text)
    // What was refused with its row is no column without a heading as well.
    if (refused.length > 0) expect(notes).toEqual([])
    return [results.map(({ score }) => score), refused.map(({ row, value }) => `${row}: ${value}`)]
  }
  it.each<[string, string, (number | null)[], string[]]>([
    ['in one row', 'Number,Raised (2000)\n101,950\n102,1,234\n', [950], ['3: 1,234']],
    ['in every row', 'Number,Raised (2000)\n101,1,950\n102,1,234\n', [], ['2: 1,950', '3: 1,234']],
    ['halves in every row', 'Number,Quiz\n101,12,5\n102,9,5\n', [], ['2: 12,5', '3: 9,5']],
    ['before other work', 'Number,Quiz,Essay\n101,12,5,17\n102,9,16\n', [9, 16], ['2: 5,17']],
    ['and in them', 'Number,Raised (2000)\n101,"1,5"\n102,950\n', [1.5, 950], []],
    ['a column without a heading is none', 'Number,Quiz\n101,12,85\n102,9,40\n', [12, 9], []],
    ['in a spreadsheet’s own signs it is none', 'Number;Raised (2000)\n101;1,5\n102;950\n', [1.5, 950], []],
  ])('%s', (_, text, scores, refused) => {
    expect(told(text)).toEqual([scores, refused])
  })
})

describe('what no piece of work may hold', () => {
  const long = 'x'.repeat(201)
  it.each([
    [`Number,${long}\n101,7\n`, /characters/],
    ['Number,Bonus (0)\n101,7\n', /out of 0 has no share/],
    ['Number,Work,Out of,Score\n101,Bonus,0,7\n', /out of 0 has no share/],
    ['Number,Bonus\nOut of,0\n101,7\n', /out of 0 has no share/],
    [`Number,Quiz (1${'0'.repeat(400)})\n101,7\n`, /from 0.01 to 100,000/],
    [`Number,Work,Category,Score\n101,Essay,${long},7\n`, /characters/],
    [`Number,Work,Score,Remark\n101,Quiz,7,${long.repeat(10)}\n`, /characters/],
  ])('is refused with its reason, and nothing of it comes in', (text, reason) => {
    const { results, refused } = plan(text)
    expect([results, refused[0]?.reason]).toEqual([[], expect.stringMatching(reason)])
  })
})

describe('attendance', () => {
  it('knows absences from times late, whatever the order of the columns', () => {
    const file = new TextEncoder().encode('number,lates,absences,days open\n101,1,2,40\n')
    const folder = new FolderReader(new Map([['attendance.csv', file]]))
    const people = students.map((each) => ({ ...each, pronouns: 'name only' as const, gradeLevel: '5' }))
    expect(readAttendance(folder, people)).toEqual([{ studentId: '1', daysOpen: 40, absences: 2, lates: 1 }])
  })
})

describe('days and months', () => {
  it.each([
    ['10/05/2026', 'day first', '2026-05-10'],
    ['10/05/2026', 'month first', '2026-10-05'],
    ['13/05/2026', 'month first', undefined],
    ['2026-10-05', 'month first', '2026-10-05'],
  ] as const)('%s, %s: %s', (written, order, iso) => {
    expect(readDate(written, order)).toBe(iso)
  })
  it.each([
    ['10/05/2026,10/25/2026', 'month first'],
    ['10/05/2026,25/10/2026', 'day first'],
    ['10/05/2026,11/05/2026', 'day first'],
    ['10/25/2026,25/10/2026', 'day first'],
    // Twelve may be a month and thirteen is none.
    ['10/12/2026,11/12/2026', 'day first'],
    ['10/13/2026,10/12/2026', 'month first'],
    ['13/10/2026,12/10/2026', 'day first'],
  ])('a file with %s is read %s', (dates, order) => {
    const table = readTable(
      `Number,Work,Score,Date\n${dates
        .split(',')
        .map((date) => `101,Quiz,7,${date}`)
        .join('\n')}\n`,
    )
    expect(guessGradebook(table, []).dates).toBe(order)
  })
})

describe('rows that are no child', () => {
  it('that add the others up are left out with a note, and a child who is called like one is not', () => {
    const text = 'Name,Quiz,Map\nFinn Reed,17,8\nUmi Reed,12,5\nTotal,29,99\nClass average,14.5,6.5\n'
    const { results, refused, notes } = plan(text)
    expect([results.length, refused]).toEqual([4, []])
    expect(notes).toEqual(['Rows 4 (Total), 5 (Class average) add the others up and were left out.'])
    const max = {
      ...(students[0] as (typeof students)[0]),
      id: '3',
      schoolNumber: '103',
      usedName: 'Max',
      legalGiven: 'Max',
    }
    const ofMax = (body: string) => {
      const table = readTable(`Name,Quiz,Map\n${body}`)
      const known = { students: [...students, { ...max, family: '' }], work: [], results: [], categories: [] }
      return planImport(table, guessGradebook(table, []), known)
    }
    // A child called Max has scored less than others; a row of maxima has not.
    expect(ofMax('Max,12,5\nFinn Reed,17,8').results.map(({ studentId, score }) => `${studentId} ${score}`)).toEqual([
      '3 12',
      '1 17',
      '3 5',
      '1 8',
    ])
    expect(ofMax('Max,20,10\nFinn Reed,17,8').work.map(({ work }) => work.outOf)).toEqual([20, 10])
  })
  it('stand above the headings and tell of the work where nothing stands over the children', () => {
    const told = (above: string) =>
      plan(`${above}\nNumber,Name,Map,Walk\n101,Finn Reed,8,9\n`).work.map(({ work }) => work)
    expect(told(',,5.10.2026,Oct 12, 2026'.replace('Oct 12, 2026', '12 Oct 2026')).map(({ date }) => date)).toEqual([
      '2026-10-05',
      '2026-10-12',
    ])
    expect(told(',,10,20').map(({ outOf }) => outOf)).toEqual([10, 20])
    expect(told(',,Projects,').map(({ category }) => category)).toEqual(['Projects', 'Projects'])
    expect(told('Science,,,').map(({ category }) => category)).toEqual(['Quizzes', 'Quizzes'])
  })
})

describe('days in words', () => {
  it.each([
    ['12 Oct 2026', '2026-10-12'],
    ['12. Oktober 2026', '2026-10-12'],
    ['October 5, 2026', '2026-10-05'],
    ['5th Oct 26', '2026-10-05'],
    ['3 de marzo de 2027', '2027-03-03'],
    ['1er février 2027', '2027-02-01'],
    ['31 Nov 2026', undefined],
    ['5 Octember 2026', undefined],
    ['October 2026', undefined],
  ])('%s', (written, day) => {
    expect(readDate(written)).toBe(day)
  })
})

describe('a unit behind figures', () => {
  it.each([
    [['2.80 m', '3.10 m', '2.95 m'], 'm'],
    [['2.80 m', '3.10 m'], null],
    [['2.80 m', '', '3.10 m', '2.90 M'], 'm'],
    [['2.80 m', '3.10 m', '14 words'], null],
    [['2.80', '3.10', '14'], null],
  ] as const)('%j: %s', (cells, unit) => {
    expect(unitOf(cells)).toBe(unit)
  })
})
