import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../../tests/exampleClass'
import type { Presence } from '../../record/register'
import { indexRecord } from '../../record/recordIndex'
import { planClassList } from './planClassList'

// What programs report of practice, and registers kept by the day. The cases were written by hand before they were
// run; "kept back" were not looked at before the others passed.

const practice = [
  { studentId: '1', program: 'Pages', kind: 'minutes' as const, name: '2027-01-11', amount: 40, beside: null },
]
const index = indexRecord({ ...exampleClass(), practice, attendance: [] })
const register = new Map<string, Presence>([['1 2027-01-12', 'late']])
const planned = (text: string) =>
  planClassList(text, index, {
    may: () => true,
    today: '2027-03-01',
    program: 'Pages',
    presenceOn: (studentId, day) => register.get(`${studentId} ${day}`),
  })
const told = (text: string): unknown => {
  const { cells, refused, unchanged } = planned(text)
  return {
    practice: cells.practice.map(({ studentId, program, kind, name, amount, beside }) =>
      [studentId, program, kind, name, amount, beside].join(' '),
    ),
    register: cells.register.map(({ studentId, day, presence }) => `${studentId} ${day} ${presence}`),
    refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
    unchanged,
  }
}
const nothing = { practice: [], register: [], refused: [], unchanged: 0 }

type Case = [what: string, text: string, expected: Partial<Record<keyof typeof nothing, unknown>>]
const seen: Case[] = [
  [
    'minutes, a row for each week; what stands so already is left alone',
    'Name,Week of,Minutes\nMaya Reed,2027-01-11,40\nMaya Reed,18/01/2027,1:15\nSam Reed,2027-01-13,0',
    {
      practice: ['1 Pages minutes 2027-01-18 75 ', '2 Pages minutes 2027-01-11 0 '],
      unchanged: 1,
    },
  ],
  [
    'minutes of days are added up by the week, which begins on Monday',
    'Date;Student;Minutes\n2027-01-17;Maya Reed;10\n2027-01-18;Maya Reed;20 min\n2027-01-22;Maya Reed;15',
    { practice: ['1 Pages minutes 2027-01-11 10 ', '1 Pages minutes 2027-01-18 35 '] },
  ],
  [
    'minutes, a column for each week, and a program of its own',
    'Number\tProgram\tMinutes 11/01/2027\tmin week of 2027-01-18\nn1\tCounting Up\t30\t\nn2\tCounting Up\t25\tmany',
    {
      practice: ['1 Counting Up minutes 2027-01-11 30 ', '2 Counting Up minutes 2027-01-11 25 '],
      refused: ['3: min week of 2027-01-18: “many” is no number.'],
    },
  ],
  [
    'goals, with how far they go beside, inside, or in per cent',
    'Name,Goal,Reached,Out of\nMaya Reed,Short vowels,3,5\nSam Reed,Short vowels,4/5,\nSam Reed,Blends,60 %,\n' +
      'Maya Reed,Blends,2,',
    {
      practice: ['1 Pages goal Short vowels 3 5', '2 Pages goal Short vowels 4 5', '2 Pages goal Blends 60 100'],
      refused: ['5: Maya Reed: How far does “Blends” go? Say what it is out of.'],
    },
  ],
  [
    'a score before, and one after where there is one yet',
    'Name,Test,Before,After\nMaya Reed,Fluency,82,"97,5"\nSam Reed,Fluency,60,',
    { practice: ['1 Pages score Fluency 97.5 82', '2 Pages score Fluency  60'] },
  ],
  [
    'a register is kept by the day, and its sums with it',
    'Name,12/01/2027,13/01/2027\nMaya Reed,L,A\nSam Reed,P,P',
    {
      register: ['1 2027-01-12 late', '1 2027-01-13 absent', '2 2027-01-12 present', '2 2027-01-13 present'],
    },
  ],
]
const keptBack: Case[] = [
  [
    'a week that is no day, and more minutes than a week has',
    'Name,Week,Minutes\nMaya Reed,third,20\nSam Reed,2027-01-11,20000',
    {
      refused: ['2: “third” is no day, so no week is known.', '3: Sam Reed: A week has no more than 10080 minutes.'],
    },
  ],
  [
    'the same week twice',
    'Name,Week,Minutes\nSam Reed,2027-01-11,20\nSam Reed,2027-01-14,25',
    {
      practice: ['2 Pages minutes 2027-01-11 20 '],
      refused: ['3: 2027-01-11 of Sam Reed stands in row 2 already.'],
    },
  ],
  [
    'a register of days outside the term',
    'Name,2026-08-12\nMaya Reed,A',
    { refused: ['2: Maya Reed: 2026-08-12 is no day of the Spring term.'] },
  ],
  [
    'pre and post under their short names, and an empty row',
    'Student number,Pre,Post\nn2,3,9\nn1,,',
    { practice: ['2 Pages score Score 9 3'] },
  ],
]

describe('practice and registers in lists', () => {
  it.each(seen)('%s', (_what, text, expected) => {
    expect(told(text)).toEqual({ ...nothing, ...expected })
  })
  it.each(keptBack)('kept back: %s', (_what, text, expected) => {
    expect(told(text)).toEqual({ ...nothing, ...expected })
  })

  it('a register that says what stands already is nothing new; one with other days and the same sums is', () => {
    const again = (second: string) =>
      planClassList(`Name,2027-01-12,2027-01-13\nMaya Reed,L,${second}`, withSums, {
        ...{ may: () => true, today: '2027-03-01', program: '' },
        presenceOn: (_, day) => (day === '2027-01-12' ? 'late' : 'absent'),
      })
    const withSums = indexRecord({
      ...exampleClass(),
      attendance: [{ studentId: '1', daysOpen: 2, absences: 1, lates: 1 }],
    })
    expect([again('A').unchanged, again('A').changed]).toEqual([1, 0])
    const turned = planClassList('Name,2027-01-12,2027-01-13\nMaya Reed,A,L', withSums, {
      ...{ may: () => true, today: '2027-03-01', program: '' },
      presenceOn: (_, day) => (day === '2027-01-12' ? 'late' : 'absent'),
    })
    expect([turned.unchanged, turned.changed, turned.cells.register.length]).toEqual([0, 1, 2])
  })
})
