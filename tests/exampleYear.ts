import { smallestPhoto } from './smallestPhoto'
import { nothingRetired } from '../core/school/keptSetup'
import { recordFileOf, recordKinds, type FolderRows, type RecordKind } from '../core/exchange/folder/recordFiles'
import {
  ownPhrasesFile,
  readSchoolFolder,
  writeOwnPhrases,
  writeRecordRows,
  yearFile,
  type FolderYear,
} from '../core/exchange/folder/schoolFolder'
import { writeSetupFolder } from '../core/exchange/folder/writeSetupFolder'
import { exampleClass } from './exampleClass'
import { phrase } from './exampleDraft'

// A year of a small school, worked out by hand: two classes, two terms, a child who leaves one class for the other.
export const year: FolderYear = {
  format: 'facunda school year 1',
  name: '2027',
  starts: '2026-09-01',
  ends: '2027-07-31',
  terms: [
    { name: 'Autumn', starts: '2026-09-01', ends: '2026-12-20', commentsDue: '2026-12-01', locks: '2027-01-04' },
    { name: 'Spring', starts: '2027-01-11', ends: '2027-03-26', commentsDue: '2027-03-12', locks: '2027-03-30' },
  ],
  openingsDays: 365,
}
export const child = (number: string, used: string) => ({
  number,
  given: used,
  used,
  family: 'Reed',
  pronouns: 'she/her',
})
export const colleague = (signIn: string, given: string) => ({
  ...{ signIn, given, family: 'Moss', role: 'teacher' as const, grades: null, switchedOff: false, settings: {} },
})
export const always = { from: null, to: null }
export const inSpring = { term: 'Spring', number: '1' }
export const rows = (): FolderRows => ({
  people: [
    { ...colleague('ada', 'Ada'), role: 'coordinator', grades: { from: 4, to: 6 }, settings: { paper: 'dark' } },
    colleague('bea', 'Bea'),
  ],
  students: [child('1', 'Maya'), child('2', 'Sam'), child('3', 'Kit')],
  contacts: [
    {
      number: '1',
      name: 'Ana Reed',
      relation: 'mother',
      household: 1,
      email: 'a@example.org',
      language: 'pt-BR',
      told: true,
    },
    { number: '1', name: 'Jo Reed', relation: '', household: 2, email: '', language: '', told: false },
  ],
  classes: [
    { name: '5 Ash', group: null },
    { name: '5 Elm', group: null },
  ],
  enrolments: [
    { room: '5 Ash', number: '2', place: 1, grade: '5', ...always },
    { room: '5 Ash', number: '1', place: 0, grade: '4', ...always },
    { room: '5 Ash', number: '3', place: 2, grade: '5', from: null, to: '2027-01-31' },
    { room: '5 Elm', number: '3', place: 0, grade: '5', from: '2027-02-01', to: null },
  ],
  teaching: [
    { room: '5 Ash', subject: null, person: 'ada', secondReader: false, ...always },
    { room: '5 Ash', subject: 'sums', person: 'bea', secondReader: false, from: '2027-01-11', to: null },
    { room: '5 Ash', subject: 'sums', person: 'ada', secondReader: true, ...always },
  ],
  categories: [{ room: '5 Ash', subject: 'sums', key: 'q', name: 'Quizzes', weight: 2.5, isExam: false }],
  work: [
    {
      id: 'w',
      room: '5 Ash',
      term: 'Spring',
      subject: 'sums',
      title: 'Quiz',
      category: 'q',
      date: null,
      outOf: 12.5,
      weight: 1,
      counts: true,
    },
    {
      id: 'v',
      room: '5 Elm',
      term: 'Spring',
      subject: 'sums',
      title: 'Quiz',
      category: 'q',
      date: '2027-02-02',
      outOf: 10,
      weight: 1,
      counts: false,
    },
  ],
  results: [
    { work: 'w', number: '1', state: 'late', score: 7.5, remark: ' "late" ' },
    { work: 'w', number: '3', state: 'missing', score: null, remark: '' },
  ],
  marks: [
    { ...inSpring, subject: 'sums', percent: 82.5, special: null, reason: 'seen', proposed: 80.25 },
    { term: 'Autumn', number: '1', subject: 'sums', percent: null, special: 'absent', reason: null, proposed: null },
  ],
  levels: [
    { ...inSpring, about: 's1', symbol: '2', proposed: '3' },
    { term: 'Autumn', number: '1', about: 's1', symbol: 'NA', proposed: null },
  ],
  habitScores: [{ ...inSpring, about: 'care', symbol: 'o', proposed: null }],
  attendance: [{ ...inSpring, daysOpen: 40, absences: 2, lates: 1 }],
  notes: [
    {
      id: 'n',
      ...inSpring,
      day: '2027-02-03',
      kind: 'habit',
      about: 'care',
      symbol: 'o',
      text: ' =careful\r\n',
      mayTell: true,
      by: null,
    },
  ],
  questions: [
    { work: 'w', number: 1, words: 'Adds "tens"', skill: 's1', outOf: 4 },
    { work: 'w', number: 2, words: '', skill: null, outOf: 6 },
  ],
  answers: [{ work: 'w', number: '1', question: 2, score: 5.5 }],
  choices: [{ number: '2', subject: 'sums', takes: false }],
  practice: [
    { ...inSpring, program: 'Page Turners', kind: 'minutes', name: '2027-02-01', amount: 35, beside: null },
    { ...inSpring, program: 'Page Turners', kind: 'goal', name: 'Short vowels', amount: 3, beside: 5 },
  ],
  register: [{ number: '1', day: '2027-02-02', presence: 'late' }],
  photos: [{ number: '1', jpeg: smallestPhoto }],
  comments: [
    {
      ...{ ...inSpring, box: 'sums', text: 'Maya adds.', ownWords: false, status: 'finished' },
      sentences: [{ start: 0, end: 10, phraseIds: ['p'], because: [{ kind: 'always', text: 'So.' }] }],
    },
  ],
  accepted: [{ ...inSpring, box: 'sums', check: 'too long', found: 'adds', by: 'bea' }],
})
export const setup = () => {
  const { school, layout, scales, subjects, skills, habits, boxes, phrasebook } = exampleClass()
  const level = (symbol: string, tier: 'strong' | 'growing') => ({
    symbol,
    name: symbol,
    familySentence: '',
    tier,
    lowestPercent: null,
  })
  const often = {
    key: 'often',
    name: 'Often',
    kind: 'habit' as const,
    levels: [level('o', 'strong'), level('s', 'growing')],
  }
  return {
    ...{ school, layout, subjects, skills, phrasebook, scales: [...scales, often] },
    habits: habits.map((habit) => ({ ...habit, scale: 'often' })),
    boxes: boxes.map((box) => ({ ...box, limitByGrade: [{ grades: { from: 1, to: 4 }, is: 90 }] })),
  }
}
export const own = [phrase('mine', '{They} {adds}.', { owner: 'bea', about: 'Number', tone: 'warm' })]
export const filesOf = (wanted: FolderRows, ofYear: FolderYear = year): Map<string, string> =>
  new Map([
    ...writeSetupFolder(setup(), { ...nothingRetired, skills: new Set(['s2']) }),
    [yearFile, JSON.stringify(ofYear)],
    [ownPhrasesFile, writeOwnPhrases(own.map((each) => ({ ...each, owner: wanted.people[1]?.signIn ?? null })))],
    ...recordKinds.map((kind) => [recordFileOf(kind).name, textOf(kind, wanted)] as const),
  ])
const textOf = <Kind extends RecordKind>(kind: Kind, wanted: FolderRows): string =>
  writeRecordRows(kind, [], true) + writeRecordRows(kind, wanted[kind], false)
export const read = (files: Map<string, string>) =>
  readSchoolFolder(new Map([...files].map(([name, text]) => [name, new TextEncoder().encode(text)])))
