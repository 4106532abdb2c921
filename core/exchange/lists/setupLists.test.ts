import { describe, expect, it } from 'vitest'
import type { Scale } from '../../scales/scale'
import { boxColumns, categoryColumns, habitColumns, scaleColumns, subjectColumns } from './listColumns'
import { planCategoryList } from './planCategoryList'
import type { RowPlan } from './planRows'
import { planScaleList } from './planScaleList'
import { planBoxList, planHabitList, planSubjectList } from './planSetupLists'
import { readList } from './readList'

// Lists of what a school sets up, as people would type, paste or export them.
const level = (symbol: string, tier: Scale['levels'][number]['tier'], lowestPercent: number | null = null) => ({
  ...{ symbol, name: `level ${symbol}`, familySentence: '', tier, lowestPercent },
})
const scales: Scale[] = [
  { key: 'marks', name: 'Marks', kind: 'mark', levels: [level('A', 'top', 80), level('B', 'sound', 0)] },
  { key: 'levels', name: 'Levels', kind: 'skill', levels: [level('2', 'strong'), level('1', 'growing')] },
  { key: 'often', name: 'How often', kind: 'habit', levels: [level('o', 'strong'), level('s', 'growing')] },
]
const at = { position: 3, retired: false }
const subjects = [
  { ...at, key: 'art', name: 'Art', inSentence: 'art', markScale: 'marks', skillScale: 'levels', strandNames: {} },
]
const habits = [{ ...at, key: 'care', name: 'Taking care', familyWords: 'Takes care', scale: 'often' }]
const boxes = [{ ...at, key: 'art', name: 'Art', subject: 'art', limit: 300, tone: '', plan: 'outcome each' }]
const told = <Row>({ added, changed, unchanged, refused }: RowPlan<Row>, words: (row: Row) => string) => ({
  added: added.map(words),
  changed: changed.map(({ row }) => words(row)),
  unchanged,
  refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
})
const nothing = { added: [], changed: [], unchanged: 0, refused: [] }

describe('subjects', () => {
  const plan = (text: string) =>
    told(planSubjectList(readList(text, subjectColumns), { subjects, scales }), (row) =>
      [row.key, row.name, row.inSentence, row.markScale, row.skillScale, row.position].join('|'),
    )
  it.each([
    ['Drama\nart\n', { added: ['drama|Drama|drama|marks|levels|4'], unchanged: 1 }],
    ['Subject;Inside a sentence\nFrançais;French', { added: ['francais|Français|French|marks|levels|4'] }],
    ['Subject\tInside a sentence\nArt\tart and craft', { changed: ['art|Art|art and craft|marks|levels|3'] }],
    ['Subject\tSkills on\nDrama\tstars', { refused: ['2: There is no scale “stars” for skills.'] }],
    ['Drama\ndrama', { added: ['drama|Drama|drama|marks|levels|4'], refused: ['2: “drama” stands in row 1 already.'] }],
    ['Subject\tMarks on\n\tMarks', { refused: ['2: There is no name of a subject in this row.'] }],
  ])('%s', (text, expected) => {
    expect(plan(text)).toEqual({ ...nothing, ...expected })
  })
})

it('the first of a school has the school’s first scales, nothing by grade, and stands first', () => {
  const [subject] = planSubjectList(readList('Drama', subjectColumns), { subjects: [], scales }).added
  expect(subject).toMatchObject({
    markScale: 'marks',
    skillScale: 'levels',
    markScaleByGrade: [],
    skillScaleByGrade: [],
  })
  expect([subject?.position, subject?.retired]).toEqual([0, false])
  const [habit] = planHabitList(readList('Listens', habitColumns), { habits: [], scales }).added
  expect([habit?.scale, habit?.position]).toEqual(['often', 0])
  const [box] = planBoxList(readList('Box,Limit\nAt home,20', boxColumns), { boxes: [], subjects }).added
  expect([box?.limit, box?.limitByGrade, box?.position]).toEqual([20, [], 0])
})
it('another is like the first in what holds by grade', () => {
  const early = [{ grades: { from: 1, to: 2 }, is: 'levels' }]
  const known = subjects.map((each) => ({ ...each, skillScaleByGrade: early, markScaleByGrade: early }))
  const [subject] = planSubjectList(readList('Subject\tMarks on\nDrama\tmarks', subjectColumns), {
    subjects: known,
    scales,
  }).added
  expect([subject?.skillScaleByGrade, subject?.markScaleByGrade, subject?.markScale]).toEqual([early, early, 'marks'])
})

describe('habits', () => {
  const plan = (text: string) =>
    told(planHabitList(readList(text, habitColumns), { habits, scales }), (row) =>
      [row.key, row.name, row.familyWords, row.scale, row.position].join('|'),
    )
  it.each([
    ['Listens to others', { added: ['listens-to-others|Listens to others|Listens to others|often|4'] }],
    [
      'Habit\tAs families read it\nTaking care\tLooks after things',
      { changed: ['care|Taking care|Looks after things|often|3'] },
    ],
    ['habit,on\nTaking care,how often', { unchanged: 1 }],
    ['habit,on\nTaking care,Levels', { refused: ['2: There is no scale “Levels” for habits.'] }],
  ])('%s', (text, expected) => {
    expect(plan(text)).toEqual({ ...nothing, ...expected })
  })
})

describe('comment boxes', () => {
  const plan = (text: string) =>
    told(planBoxList(readList(text, boxColumns), { boxes, subjects }), (row) =>
      [row.key, row.name, row.subject, row.limit, row.plan].join('|'),
    )
  it.each([
    ['Comment box\tSubject\tCharacters\nArt\tart\t450', { changed: ['art|Art|art|450|outcome each'] }],
    ['Box,In\nArt,general', { added: ['art-2|Art||400|habit each'] }],
    ['Box,In,Limit\nArt at home,Art,"1,200"', { added: ['art-at-home|Art at home|art|1200|outcome each'] }],
    ['Box\tSubject\nVerbs\tLatin', { refused: ['2: This school has no subject “Latin”.'] }],
    ['Box\tCharacters\nShort\t12', { refused: ['2: “12” is no number of characters from 20 on.'] }],
    [
      'Box\tPlan\nBest\toutcome each; jokes',
      { refused: [expect.stringMatching(/^2: “jokes” is no part of a comment/)] },
    ],
  ])('%s', (text, expected) => {
    expect(plan(text)).toEqual({ ...nothing, ...expected })
  })
})

describe('scales', () => {
  const plan = (text: string) =>
    told(planScaleList(readList(text, scaleColumns), scales), (row) =>
      [
        row.key,
        row.kind,
        ...row.levels.map(({ symbol, tier, lowestPercent }) => [symbol, tier, lowestPercent].join('/')),
      ].join('|'),
    )
  const heading = 'Scale\tFor\tSymbol\tName\tHow far on\tFrom %\n'
  it.each([
    [
      `${heading}Stars\tskills\t***\tsure\ttop\t\nStars\tskills\t*\tnew\tstarting\t`,
      { added: ['stars|skill|***/top/|*/starting/'] },
    ],
    [`${heading}marks\t\tA\t\t\t85 %\nMarks\t\tB\t\t\t`, { changed: ['marks|mark|A/top/85|B/sound/0'] }],
    ['Scale;Symbol\nLevels;2\nLevels;1', { unchanged: 1 }],
    [`${heading}Stars\tskills\t***\tsure\ttop\t`, { refused: [expect.stringMatching(/^2: .*two levels/)] }],
    [`${heading}Stars\tskies\t*\t\ttop\t`, { refused: ['2: “skies” is none of: marks, skills, habits.'] }],
    [
      'Scale;For;Symbol\nStars;skills;***\nStars;skills;**\nStars;skills;*',
      {
        added: ['stars|skill|***/top/|**/sound/|*/starting/'],
      },
    ],
    ['Scale;Symbol\nStars;*', { refused: [expect.stringMatching(/^2: Say in a column “For”/)] }],
    [
      `${heading}Stars\tskills\t**\t\t\t\nStars\tskills\t*\t\tbest\t`,
      {
        refused: [
          '2: A row of scale “Stars” is refused, so none of it is taken in.',
          '3: “best” does not say how far on this level is: top, strong, sound, growing, starting, or leave it empty.',
        ],
      },
    ],
    [`${heading}Marks\tmarks\tA\t\t\t60\nMarks\tmarks\tB\t\t\t70`, { refused: [expect.stringMatching(/^2: /)] }],
  ])('%s', (text, expected) => {
    expect(plan(text)).toEqual({ ...nothing, ...expected })
  })
})

describe('categories', () => {
  const plan = (text: string) =>
    told(
      planCategoryList(readList(text, categoryColumns), [{ key: 'q', name: 'Quizzes', weight: 20, isExam: false }]),
      (row) => [row.key, row.name, row.weight].join('|'),
    )
  it.each([
    ['Category\tWeight\nquizzes\t30 %\nProject\t2,5', { changed: ['q|Quizzes|30'], added: ['project|Project|2.5'] }],
    ['Quizzes\nExam', { unchanged: 1, added: ['exam|Exam|1'] }],
    ['Kategorie;Gewicht\nQuizzes;viel', { refused: ['2: “viel” is no weight of 0 or more.'] }],
  ])('%s', (text, expected) => {
    expect(plan(text)).toEqual({ ...nothing, ...expected })
  })
})
