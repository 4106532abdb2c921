import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../../tests/exampleClass'
import { indexRecord } from '../../record/recordIndex'
import { readTable } from '../files/readTable'
import { sortsAs } from './sortsAs'
import { planClassList, type ClassListPlan } from './planClassList'

// What schools have in files beside gradebooks. The cases were written by hand before the code; "kept back" were not
// run before it stood.

const index = indexRecord(exampleClass())
const context = { today: '2027-03-01', program: 'Practice', presenceOn: () => undefined }
const planned = (text: string, may = (_need: string) => true): ClassListPlan =>
  planClassList(text, index, { ...context, may })
const told = ({ cells, refused, unknown, unchanged }: ClassListPlan): unknown => ({
  levels: cells.levels.map((each) => `${each.studentId} ${each.kind} ${each.about} ${each.symbol}`),
  marks: cells.marks.map((each) => `${each.studentId} ${each.subject} ${each.mark.percent ?? each.mark.special}`),
  days: cells.attendance.map((each) => `${each.studentId} ${each.daysOpen} ${each.absences} ${each.lates}`),
  notes: cells.notes.map(
    ({ studentId, date, kind, about, symbol, text }) =>
      `${studentId} ${date} ${kind} ${about} ${symbol === null ? '' : `${symbol} `}${text}`,
  ),
  refused: refused.map((each) => `${each.row}: ${each.reason}`),
  unknown,
  unchanged,
})
const nothing = { levels: [], marks: [], days: [], notes: [], refused: [], unknown: [], unchanged: 0 }

type Case = [what: string, text: string, expected: Partial<typeof nothing> | Record<string, unknown>]
const seen: Case[] = [
  [
    'levels, a column for each skill, by its words or its sign',
    'Name\tAdds\tS2\tColour\nMaya Reed\t3\t1\tred\nReed, Sam\t2\t\tblue',
    { levels: ['1 skill s1 3', '2 skill s1 2'], unknown: ['Colour'], unchanged: 1 },
  ],
  [
    'levels, a row for each',
    'Student number,Skill,Level\nN2,Divides,na\nn2,Adds,9\nn2,Flies,1',
    {
      levels: ['2 skill s2 NA'],
      refused: ['3: Adds: “9” is no level here. The levels are 3, 2, 1.', '4: Nothing here is called “Flies”.'],
    },
  ],
  [
    'habits and marks side by side',
    'First name;Last name;Works with care;Sums\nMaya;Reed;3;82,5 %\nSam;Reed;;absent',
    { levels: ['1 habit care 3'], marks: ['1 sums 82.5', '2 sums absent'] },
  ],
  [
    'attendance of the term',
    'Number,Days absent,Times late,School days\nn1,2,1,40\nn2,0,3,40',
    { days: ['2 40 0 3'], unchanged: 1 },
  ],
  [
    'attendance that says less keeps what stands',
    'Name,Absences\nMaya Reed,5\nSam Reed,x',
    { days: ['1 40 5 1'], refused: ['3: Absences: “x” is no number of days.'] },
  ],
  [
    'half days, however they are written; a quarter is none',
    'Name,Absences\nMaya Reed,"2,5"\nSam Reed,0.25',
    { days: ['1 40 2.5 1'], refused: ['3: Absences: “0.25” is no number of days.'] },
  ],
  [
    'attendance by day, a row for each',
    'Date,Student,Status\n2027-01-11,Maya Reed,present\n2027-01-11,Sam Reed,A\n' +
      '2027-01-12,Maya Reed,Late\n2027-01-12,Sam Reed,absent',
    { days: ['1 2 0 1', '2 2 2 0'] },
  ],
  [
    'attendance by day, a column for each',
    'Name,11/01/2027,12/01/2027,13/01/2027\nMaya Reed,P,L,\nSam Reed,A,/,sick',
    { days: ['1 3 0 1'], refused: ['3: 13/01/2027: “sick” says neither present, absent nor late.'] },
  ],
  [
    'notes, with the day, what they are about, and whether they may be told',
    'Date,Name,About,Note,May be told\n3 Feb 2027,Maya Reed,Care,Tidied the paints.,yes\n' +
      '2027-02-01,n1,care,secret note,\n2027-09-01,Sam Reed,,From later,\n,Sam Reed,,Asked why.,',
    {
      notes: ['1 2027-02-03 habit care Tidied the paints.', '2 2027-03-01 null  Asked why.'],
      refused: [
        '3: There is no child with “n1” in this class.',
        '4: 2027-09-01 has not been yet: choose today or an earlier day.',
      ],
    },
  ],
  [
    'levels seen along the way, each on its day, which settle nothing',
    'Date,Name,Skill,Level\n3 Feb 2027,Maya Reed,Adds,3\n3 Feb 2027,Maya Reed,S2,1\n2027-02-04,Sam Reed,Care,9\n' +
      ',Sam Reed,Adds,2\n2027-02-05,Maya Reed,Sums,80',
    {
      notes: ['1 2027-02-03 skill s1 3 ', '1 2027-02-03 skill s2 1 '],
      levels: ['2 skill s1 2'],
      marks: ['1 sums 80'],
      refused: ['4: Care: “9” is no level here. The levels are 3, 2, 1.'],
    },
  ],
  [
    'notes with a level beside the words; the same brought again is the same',
    'Date,Name,About,Level,Note\n2027-02-03,Maya Reed,care,2,Tidied the paints.\n2027-02-03,Sam Reed,,7,Asked why.\n' +
      '2027-02-03,Maya Reed,care,2,Tidied the paints.',
    {
      notes: ['1 2027-02-03 habit care 2 Tidied the paints.', '2 2027-02-03 null  Asked why.'],
      refused: ['4: The same note stands in row 2 already.'],
    },
  ],
  [
    'a child that is none, or could be two',
    'Name,Adds\nReed,3\nZoe Park,2',
    {
      refused: [
        '2: “Reed” could be Maya Reed or Sam Reed: write the number.',
        '3: There is no child with “Zoe Park” in this class.',
      ],
    },
  ],
  [
    'a child twice in a list with a row for each child',
    'Name,Adds\nMaya Reed,3\nMaya Reed,1',
    { levels: ['1 skill s1 3'], refused: ['3: Adds of Maya Reed stands in row 2 already.'] },
  ],
]
const keptBack: Case[] = [
  [
    'a title above, and a totals row at the foot',
    '5 Willow, levels of spring\n\nName,Adds,Divides\nMaya Reed,3,2\nAverage,3,2',
    { levels: ['1 skill s1 3', '1 skill s2 2'], refused: ['5: There is no child with “Average” in this class.'] },
  ],
  ['days present instead of absent', 'Number,Days open,Days present,Tardy\nn2,40,37,2', { days: ['2 40 3 2'] }],
  [
    'a mark above what can be',
    'Number,Sums\nn1,140\nn2,61',
    {
      marks: ['2 sums 61'],
      refused: ['2: Sums: “140” is no mark from 0 to 120 %, nor absent, incomplete or not assessed.'],
    },
  ],
  [
    'levels in German, with the strand above',
    'Nachname;Vorname;Adds;Divides\nReed;Sam;1;2',
    { levels: ['2 skill s1 1', '2 skill s2 2'] },
  ],
  [
    'notes without a day, some that are there',
    'Student;Observation\nMaya Reed;Helped Sam up.\nMaya Reed;Helped Sam up.',
    {
      notes: ['1 2027-03-01 null  Helped Sam up.'],
      refused: ['3: The same note stands in row 2 already.'],
    },
  ],
]

/** Found when the code was read once more, each seen failing. */
const found: Case[] = [
  [
    'days that are said of some children alone',
    'Name,Adds,Absent,Late,Days open\nMaya Reed,2,,,\nSam Reed,,1,0,40',
    { days: ['2 40 1 0'], unchanged: 1 },
  ],
  [
    'absences where nobody has said how many days there were',
    'Name,Absent\nSam Reed,5',
    { refused: ['2: Sam Reed: Say how many days the school was open, in a column Days open.'] },
  ],
  [
    'a note that is longer than a note can be',
    `Name,Note\nSam Reed,${'long '.repeat(500)}\nMaya Reed,Asked why.`,
    {
      notes: ['1 2027-03-01 null  Asked why.'],
      refused: ['2: Keep a note under 2,000 characters.'],
    },
  ],
]

describe('a list of a class', () => {
  it.each(found)('%s', (_what, text, expected) => {
    expect(told(planned(text))).toEqual({ ...nothing, ...expected })
  })
  it.each(seen)('%s', (_what, text, expected) => {
    expect(told(planned(text))).toEqual({ ...nothing, ...expected })
  })
  it.each(keptBack)('%s (kept back)', (_what, text, expected) => {
    expect(told(planned(text))).toEqual({ ...nothing, ...expected })
  })

  it('is told once what its bringer may not change', () => {
    const plan = planned('Name,Adds,Care\nMaya Reed,3,3\nSam Reed,2,1', (need) => need === 'general')
    expect(told(plan)).toEqual({
      ...nothing,
      levels: ['1 habit care 3', '2 habit care 1'],
      unknown: ['Adds (not yours to change)'],
    })
  })

  it.each([
    ['', 'There is nothing here yet'],
    ['Colour,Shape\nred,round', 'whose'],
    ['Name,Colour\nMaya Reed,red', 'No column here is'],
  ])('%j is told in words', (text, words) => {
    expect(() => planned(text)).toThrow(words)
  })
})

describe('what is dropped', () => {
  it.each([
    ['Name,Adds,Divides\nMaya Reed,3,2', 'list'],
    ['Levels of spring\nNumber,Works with care,Colour\nn1,3,red', 'list'],
    ['Number,Days absent,Times late\nn1,2,1', 'list'],
    ['Date,Student,Status\n2027-01-11,Maya Reed,P', 'list'],
    ['Name,Date,Note\nMaya Reed,2027-02-01,Asked why.', 'list'],
    ['Name,First quiz,Second quiz\nMaya Reed,3,2', 'gradebook'],
    ['Name,First quiz,Second quiz,Average,Sums\nMaya Reed,3,2,3,80', 'gradebook'],
    ['Student,Work,Score,Out of,Date,Remark\nMaya Reed,Map,3,10,2027-02-01,late', 'gradebook'],
    ['Colour,Shape\nred,round', 'gradebook'],
  ])('is sorted by its headings: %j', (text, door) => {
    expect(sortsAs(readTable(text), index.record)).toBe(door)
  })
})
