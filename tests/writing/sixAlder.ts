import { usualSchoolMarkRules } from '../../core/marks/markRules'
import { readPlan, type CommentBox } from '../../core/narrative/plan'
import { he, readPronouns, she, they, type Pronouns } from '../../core/people/pronouns'
import type { ClassRecord } from '../../core/record/classRecord'
import type { Student } from '../../core/record/roster'
import type { StudentLevel, StudentResult } from '../../core/record/termRecord'
import type { Scale } from '../../core/scales/scale'
import { tiers } from '../../core/scales/tier'
import { usualCheckSettings } from '../../core/school/checkSettings'

// An invented class of 6 Alder in its spring term: its own skills, scale and habits.

const skills = [
  ['m1', 'mathematics', 'Number', 'Adds and subtracts large numbers'],
  ['m2', 'mathematics', 'Data', 'Draws and reads graphs'],
  ['m3', 'mathematics', 'Reasoning', 'Explains why a method works'],
  ['r1', 'reading', 'Aloud', 'Reads aloud with expression'],
  ['r2', 'reading', 'Understanding', 'Finds facts in a text'],
  ['r3', 'reading', 'Understanding', 'Retells a story in order'],
  ['s1', 'science', 'Inquiry', 'Plans a fair test'],
  ['s2', 'science', 'Inquiry', 'Records results in a table'],
  ['s3', 'science', 'Matter', 'Sorts materials'],
] as const

const habits = [
  ['h1', 'On time', 'Hands work in on time'],
  ['h2', 'Together', 'Works with others'],
  ['h3', 'Keeping going', 'Keeps going when work is hard'],
] as const

/** Levels in the order of the skills, scores in that of the habits ("-": not looked at); days away; marks. */
const children: readonly (readonly [string, string, string, Pronouns, string, string, number, string])[] = [
  ['Grace', 'Grace', 'Whitlock', she, '555 545 545', '444', 0, '94 91 90'],
  ['Will', 'William', 'Adeyemi', he, '121 221 212', '132', 12, '41 45 44'],
  ['Zoë', 'Zoë', 'Lindqvist', she, '524 443 334', '343', 2, '81 76 70'],
  ['D’Arcy', 'D’Arcy', 'O’Malley', they, '333 333 333', '333', 4, '66 67 65'],
  ['He', 'He', 'Lin', she, '454 232 444', '424', 1, '84 58 82'],
  ['May', 'May', 'Tanaka', she, '222 455 333', '443', 0, '55 88 68'],
  ['Björn', 'Björn', 'Halvorsen', he, '343 333 443', '233', 5, '70 66 78'],
  ['Amina', 'Amina', 'Yusuf', she, '443 555 444', '444', 1, '80 95 83'],
  ['Jean-Luc', 'Jean-Luc', 'Okonkwo', he, '--- 3-2 ---', '---', 49, '- - -'],
  ['Tui', 'Tui', 'Ngata', they, '232 334 223', '242', 7, '58 71 57'],
  ['Oisín', 'Oisín', 'Byrne', he, '545 333 555', '234', 2, '90 67 93'],
  ['Sofia', 'Sofia', 'Marchetti', she, '332 444 323', '443', 3, '63 80 62'],
  ['Max', 'Maximilian', 'Underhill', he, '444 444 444', '333', 2, '79 78 80'],
  ['River', 'River', 'Cole', 'name only', '343 223 333', '332', 3, '71 54 66'],
  ['Priya', 'Priya', 'Raman', she, '554 555 555', '434', 0, '95 96 94'],
  ['Sasha', 'Sasha', 'Novak', own('ze/zir/zir/zirs/zirself'), '323 434 333', '343', 6, '64 77 65'],
]

/** Levels of the autumn where they were others. */
const before: readonly (readonly [name: string, about: string, symbol: string])[] = [
  ['Will', 'm1', '2'],
  ['Björn', 'm2', '3'],
  ['Sofia', 'm3', '4'],
]

/** Pieces of work that came late, or not at all. */
const behind: readonly (readonly [name: string, subject: string, late: number, missing: number])[] = [
  ['Will', 'mathematics', 2, 3],
  ['Björn', 'science', 2, 0],
  ['Oisín', 'science', 4, 0],
]

function own(written: string): Pronouns {
  return readPronouns(written) ?? 'name only'
}

const students = children.map(([usedName, legalGiven, family, pronouns], at): Student => ({
  ...{ id: usedName, schoolNumber: `6${at + 101}`, legalGiven, usedName, family, pronouns, gradeLevel: '6' },
}))

function levelsFrom(column: 4 | 5, abouts: readonly (readonly [string, ...unknown[]])[]): StudentLevel[] {
  return children.flatMap((child) =>
    [...child[column].replaceAll(' ', '')].flatMap((symbol, at) =>
      symbol === '-' ? [] : [{ studentId: child[0], about: abouts[at]?.[0] ?? '', symbol }],
    ),
  )
}

function scale(
  key: string,
  kind: Scale['kind'],
  levels: readonly (readonly [string, string, string, number])[],
): Scale {
  return {
    ...{ key, kind, name: key },
    levels: levels.map(([symbol, name, familySentence, rank]) => ({
      ...{ symbol, name, familySentence, tier: tiers[rank] ?? 'sound' },
      lowestPercent: kind === 'mark' ? ([85, 70, 55, 40, 0][4 - rank] ?? 0) : null,
    })),
  }
}

const scales = [
  scale('marks', 'mark', [
    ['A', 'Excellent', 'Excellent work.', 4],
    ['B', 'Good', 'Good work.', 3],
    ['C', 'Satisfactory', 'Satisfactory work.', 2],
    ['D', 'Partly met', 'Met in part.', 1],
    ['E', 'Not yet met', 'Not yet met.', 0],
  ]),
  scale('skills', 'skill', [
    ['5', 'Expert', 'Can show others how.', 4],
    ['4', 'Confident', 'Does this with confidence.', 3],
    ['3', 'Expected', 'Does this as expected.', 2],
    ['2', 'Under way', 'Does this in part, or with help.', 1],
    ['1', 'Beginning', 'Has made a start and needs help.', 0],
  ]),
  scale('habits', 'habit', [
    ['4', 'Nearly always', 'Nearly always.', 4],
    ['3', 'Often', 'Most of the time.', 3],
    ['2', 'Sometimes', 'Now and then.', 1],
    ['1', 'Seldom', 'Only with help.', 0],
  ]),
]

const subjects = ['mathematics', 'reading', 'science']

const boxes: CommentBox[] = [
  {
    ...{ key: 'general', name: 'General', subject: null, limit: 240, tone: '' },
    plan: readPlan('opening; habit each; next step; closing'),
  },
  ...subjects.map((subject) => ({
    ...{ key: subject, name: subject, subject, limit: 240, tone: '' },
    plan: readPlan('opening; outcome each; progress; next step; help at home'),
  })),
]

const term = (id: string, name: string, starts: string, ends: string): ClassRecord['term'] => ({
  ...{ id, name, starts, ends, yearId: 'y', year: '2026/27', commentsDue: ends, locks: ends },
})

/** Ten pieces of work in each subject, handed in but for what is said above. */
const work = subjects.flatMap((subject) =>
  Array.from({ length: 10 }, (_, nth) => ({
    ...{ id: `${subject} ${nth}`, subject, title: `${subject} ${nth + 1}`, category: 'Work', date: null },
    ...{ outOf: 20, weight: 1, counts: true },
  })),
)

function resultsOf([name, , , , , , , marks]: (typeof children)[number]): StudentResult[] {
  return subjects.flatMap((subject, at) => {
    const mark = Number(marks.split(' ')[at])
    const [, , late = 0, missing = 0] = behind.find((each) => each[0] === name && each[1] === subject) ?? []
    return Number.isNaN(mark)
      ? []
      : Array.from({ length: 10 }, (_, nth): StudentResult => {
          const state = nth < missing ? 'missing' : nth < missing + late ? 'late' : 'scored'
          const score = state === 'missing' ? null : Math.round(mark / 5)
          return { workId: `${subject} ${nth}`, studentId: name, state, score, remark: '' }
        })
  })
}

/** The class as its teacher has it when the comments are written. */
export function sixAlder(): ClassRecord {
  const levels = levelsFrom(4, skills)
  const levelsBefore = levels.map((each) => ({
    ...each,
    symbol: before.find(([name, about]) => name === each.studentId && about === each.about)?.[2] ?? each.symbol,
  }))
  return {
    school: {
      ...{ name: 'Alder Lane School', place: 'Alder Lane', markRules: usualSchoolMarkRules },
      ...{ possessives: 'apostrophe and s', checks: usualCheckSettings },
    },
    classRoom: { id: 'c', name: '6 Alder', teacher: 'Ruth Vale' },
    term: term('spring', 'Spring term', '2027-01-11', '2027-03-26'),
    earlier: [
      {
        ...{ term: term('autumn', 'Autumn term', '2026-09-07', '2026-12-18'), marks: [], comments: [] },
        ...{ levels: levelsBefore, habitScores: [] },
      },
    ],
    ...{ teachers: {}, scales, students, boxes, work, levels },
    subjects: subjects.map((key) => ({
      ...{ key, name: key, inSentence: key, markScale: 'marks', skillScale: 'skills' },
    })),
    skills: skills.map(([id, subject, strand, statement]) => ({
      ...{ id, subject, strand, statement, familyWords: statement, inSentence: '', does: '' },
      ...{ grades: null, teacherOnly: false },
    })),
    habits: habits.map(([key, name, familyWords]) => ({ key, name, familyWords, scale: 'habits' })),
    categories: subjects.map((subject) => ({ subject, key: 'Work', name: 'Work', weight: 1, isExam: false })),
    results: children.flatMap(resultsOf),
    marks: children.flatMap(([studentId, , , , , , , marks]) =>
      subjects.flatMap((subject, at) => {
        const percent = Number(marks.split(' ')[at])
        return Number.isNaN(percent) ? [] : [{ studentId, subject, percent, special: null, reason: '' }]
      }),
    ),
    habitScores: levelsFrom(5, habits),
    attendance: children.map(([studentId, , , , , , absences]) => ({ studentId, daysOpen: 58, absences, lates: 0 })),
    ...{ observations: [], questions: [], answers: [], practice: [], comments: [], namesInYear: [], accepted: [] },
    phrasebook: { phrases: [], describing: { starting: [], growing: [], sound: [], strong: [], top: [] } },
    layout: {
      ...{ key: 'l', title: 'Report', paper: 'A4', marks: 'percent and level' },
      parts: ['general comment', 'subjects', 'habits', 'attendance'],
    },
  }
}
