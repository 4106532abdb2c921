import { z } from 'zod'
import { resultStates } from '../../marks/work'
import { keptSentenceSchema } from '../../narrative/keptSentence'
import { isLanguageTag } from '../../people/languageTag'
import { readPronouns } from '../../people/pronouns'
import { photoProblem } from '../../people/photo'
import { noteKinds } from '../../record/observations'
import { practiceKinds } from '../../record/practice'
import { mostQuestions } from '../../record/questions'
import { presences } from '../../record/register'
import { commentStatuses } from '../../record/termRecord'
import {
  day,
  dayOrNothing,
  exactText,
  gradesOrAll,
  json,
  needed,
  numberFrom,
  numberOrNothing,
  oneOf,
  perhaps,
  words,
  yesOrNothing,
  type Column,
} from './recordColumns'

type Columns = Readonly<Record<string, Column<unknown>>>
type RowOf<C extends Columns> = { readonly [K in keyof C]: C[K] extends Column<infer Value> ? Value : never }

/** What a cell can name: a row of a file, a term, or a thing of the set-up. */
export type Named = 'people' | 'students' | 'classes' | 'work' | 'term' | 'subject' | 'skill' | 'habit' | 'box'

/** One file of a school folder. */
export interface RecordFile<Row extends object> {
  readonly name: string
  /** Folders from before do not have every file. */
  readonly presence: 'needed' | 'may be absent'
  /** In their order. */
  readonly headings: readonly string[]
  /** Those that must be there. */
  readonly needed: readonly string[]
  /** A row from its cells, by heading; what is wrong is reported, and then there is no row. */
  read(cell: (heading: string) => string, report: (heading: string, reason: string) => void): Row | null
  /** A row's cells, in the order of the headings. */
  write(row: Row): string[]
  /** What tells the file's rows apart. */
  key(row: Row): string
  /** What the row names, with the column that does so; an empty cell names nothing. */
  names(row: Row): { heading: string; of: Named; key: string }[]
}

function recordFile<C extends Columns>(
  name: string,
  columns: C,
  key: readonly (keyof C)[],
  names: Readonly<Partial<Record<keyof C, Named>>>,
): RecordFile<RowOf<C>> {
  const all = Object.entries(columns)
  return {
    name,
    presence: 'needed',
    headings: all.map(([, { heading }]) => heading),
    needed: all.flatMap(([, { heading, newer = false }]) => (newer ? [] : [heading])),
    read: (cell, report) => {
      const read = all.map(([column, { heading, cell: schema }]) => {
        const found = schema.safeParse(cell(heading))
        if (!found.success) report(heading, found.error.issues[0]?.message ?? 'It cannot be read.')
        return [column, found] as const
      })
      if (read.some(([, found]) => !found.success)) return null
      return Object.fromEntries(read.map(([column, found]) => [column, found.data])) as RowOf<C>
    },
    write: (row) => all.map(([column, { write }]) => write(row[column])),
    key: (row) => key.map((column) => String(row[column])).join(' · '),
    names: (row) =>
      Object.entries(names).flatMap(([column, of]) => {
        const named: unknown = row[column]
        return of !== undefined && typeof named === 'string'
          ? [{ heading: columns[column]?.heading ?? '', of, key: named }]
          : []
      }),
  }
}

/** A file that folders from before do not have. */
function newer<Row extends object>(file: RecordFile<Row>): RecordFile<Row> {
  return { ...file, presence: 'may be absent' }
}

const number = needed('number', 40)
const term = needed('term', 80)
/** What the record proposed when a level was settled. */
const proposed = { ...perhaps('proposed then', 40), newer: true } as const
const subject = needed('subject', 80)
const pronouns: Column<string> = {
  ...needed('pronouns', 120),
  cell: z.string().refine((written) => readPronouns(written) !== undefined, 'They are no pronouns that can be read.'),
}
const language: Column<string> = {
  ...words('language', 35),
  cell: z.string().refine((tag) => tag === '' || isLanguageTag(tag), 'Write a language as a tag: en, pt-BR, ar.'),
}
const photo: Column<string> = {
  ...words('JPEG as base64', 200_000),
  cell: z.string().superRefine((jpeg, found) => {
    const problem = photoProblem(jpeg)
    if (problem !== null) found.addIssue({ code: 'custom', message: problem })
  }),
}
const stay = { from: dayOrNothing('from'), to: dayOrNothing('to') }
const ofTerm = { term: 'term', number: 'students' } as const
const noteKindsOrNone = ['', ...noteKinds] as const

/**
 * The files of a school folder beside its set-up, each after those that it names rows of. Children are known by their
 * school number, staff by the name they sign in with, classes and terms by what they are called.
 */
export const recordFiles = {
  people: recordFile(
    'people.csv',
    {
      signIn: needed('signs in as', 80),
      given: needed('given name', 120),
      family: words('family name', 120),
      role: oneOf('role', ['teacher', 'coordinator']),
      grades: gradesOrAll('of grades'),
      switchedOff: yesOrNothing('switched off'),
      settings: json('settings', z.record(z.string(), z.unknown()), {}),
    },
    ['signIn'],
    {},
  ),
  students: recordFile(
    'students.csv',
    {
      number,
      given: needed('given name', 120),
      used: needed('used name', 120),
      family: words('family name', 120),
      pronouns,
    },
    ['number'],
    {},
  ),
  contacts: recordFile(
    'contacts.csv',
    {
      number,
      name: needed('contact', 120),
      relation: words('relation', 60),
      household: numberFrom('household', 1, 9),
      email: words('mail', 200),
      language,
      told: yesOrNothing('reports go to them'),
    },
    ['number', 'name', 'relation', 'household', 'email', 'language'],
    { number: 'students' },
  ),
  classes: recordFile(
    'classes.csv',
    { name: needed('class', 60), group: { ...perhaps('group of', 80), newer: true } },
    ['name'],
    { group: 'subject' },
  ),
  enrolments: recordFile(
    'enrolments.csv',
    {
      room: needed('class', 60),
      number,
      place: numberFrom('place', 0, 10_000),
      grade: words('grade level', 20),
      ...stay,
    },
    ['room', 'number'],
    { room: 'classes', number: 'students' },
  ),
  teaching: recordFile(
    'teaching.csv',
    {
      room: needed('class', 60),
      subject: perhaps('subject', 80),
      person: needed('signs in as', 80),
      secondReader: yesOrNothing('second reader'),
      ...stay,
    },
    ['room', 'subject', 'person', 'secondReader', 'from', 'to'],
    { room: 'classes', subject: 'subject', person: 'people' },
  ),
  categories: recordFile(
    'categories.csv',
    {
      room: needed('class', 60),
      subject,
      key: needed('key', 80),
      name: needed('name', 80),
      weight: numberFrom('weight', 0, 1e6),
      isExam: { ...yesOrNothing('exam'), newer: true },
    },
    ['room', 'subject', 'key'],
    { room: 'classes', subject: 'subject' },
  ),
  work: recordFile(
    'work.csv',
    {
      id: needed('work', 40),
      room: needed('class', 60),
      term,
      subject,
      title: needed('title', 200),
      category: words('category', 80),
      date: dayOrNothing('date'),
      outOf: numberFrom('out of', 1e-6, 1e9),
      weight: numberFrom('weight', 0, 1e6),
      counts: yesOrNothing('counts'),
    },
    ['id'],
    { room: 'classes', term: 'term', subject: 'subject' },
  ),
  results: recordFile(
    'results.csv',
    {
      work: needed('work', 40),
      number,
      state: oneOf('state', resultStates),
      score: numberOrNothing('score'),
      remark: exactText('remark', 2000),
    },
    ['work', 'number'],
    { work: 'work', number: 'students' },
  ),
  marks: recordFile(
    'marks.csv',
    {
      term,
      number,
      subject,
      percent: numberOrNothing('mark'),
      special: perhaps('in its place', 40),
      reason: perhaps('reason', 1000),
      proposed: { ...numberOrNothing('proposed then'), newer: true },
    },
    ['term', 'number', 'subject'],
    { ...ofTerm, subject: 'subject' },
  ),
  levels: recordFile(
    'levels.csv',
    { term, number, about: needed('skill', 80), symbol: needed('level', 40), proposed },
    ['term', 'number', 'about'],
    { ...ofTerm, about: 'skill' },
  ),
  habitScores: recordFile(
    'habit-scores.csv',
    { term, number, about: needed('habit', 80), symbol: needed('score', 40), proposed },
    ['term', 'number', 'about'],
    { ...ofTerm, about: 'habit' },
  ),
  attendance: recordFile(
    'attendance.csv',
    {
      term,
      number,
      daysOpen: numberFrom('days open', 0, 400),
      absences: numberFrom('absences', 0, 400),
      lates: numberFrom('lates', 0, 10_000),
    },
    ['term', 'number'],
    ofTerm,
  ),
  notes: recordFile(
    'notes.csv',
    {
      id: needed('note', 40),
      term,
      number,
      day: day('day'),
      kind: { ...oneOf('about a', noteKindsOrNone), newer: true },
      about: words('about', 300),
      symbol: { ...perhaps('level', 40), newer: true },
      text: exactText('text', 20_000),
      mayTell: { ...yesOrNothing('may be told'), newer: true },
      by: { ...perhaps('signs in as', 80), newer: true },
    },
    ['id'],
    { ...ofTerm, by: 'people' },
  ),
  questions: newer(
    recordFile(
      'questions.csv',
      {
        work: needed('work', 40),
        number: numberFrom('question', 1, mostQuestions),
        words: exactText('words', 500),
        skill: perhaps('skill', 80),
        outOf: numberFrom('out of', 1e-6, 1e6),
      },
      ['work', 'number'],
      { work: 'work', skill: 'skill' },
    ),
  ),
  answers: newer(
    recordFile(
      'answers.csv',
      {
        work: needed('work', 40),
        number,
        question: numberFrom('question', 1, mostQuestions),
        score: numberFrom('score', 0, 1e6),
      },
      ['work', 'number', 'question'],
      { work: 'work', number: 'students' },
    ),
  ),
  practice: newer(
    recordFile(
      'practice.csv',
      {
        term,
        number,
        program: needed('program', 80),
        kind: oneOf('kind', practiceKinds),
        name: needed('week, goal or score', 200),
        amount: numberOrNothing('amount'),
        beside: numberOrNothing('asked, out of or before'),
      },
      ['term', 'number', 'program', 'kind', 'name'],
      ofTerm,
    ),
  ),
  register: newer(
    recordFile('register.csv', { number, day: day('day'), presence: oneOf('presence', presences) }, ['number', 'day'], {
      number: 'students',
    }),
  ),
  photos: newer(recordFile('photos.csv', { number, jpeg: photo }, ['number'], { number: 'students' })),
  comments: recordFile(
    'comments.csv',
    {
      term,
      number,
      box: needed('box', 80),
      text: exactText('text', 50_000),
      sentences: json('sentences', z.array(keptSentenceSchema).max(100), []),
      ownWords: yesOrNothing('own words'),
      status: oneOf('status', commentStatuses),
    },
    ['term', 'number', 'box'],
    { ...ofTerm, box: 'box' },
  ),
  accepted: recordFile(
    'accepted.csv',
    {
      term,
      number,
      box: needed('box', 80),
      check: needed('check', 80),
      found: exactText('words', 2000),
      by: needed('signs in as', 80),
    },
    ['term', 'number', 'box', 'check', 'found'],
    { ...ofTerm, box: 'box', by: 'people' },
  ),
} as const

export type RecordFiles = typeof recordFiles
export type RecordKind = keyof RecordFiles
export const recordKinds = Object.keys(recordFiles) as RecordKind[]

/** A row of each kind. */
export type FolderRow<Kind extends RecordKind> =
  RecordFiles[Kind] extends RecordFile<infer Row extends object> ? Row : never
export type FolderRows = { readonly [Kind in RecordKind]: readonly FolderRow<Kind>[] }

/** A file of any kind, for what reads and writes all of them alike. */
export function recordFileOf<Kind extends RecordKind>(kind: Kind): RecordFile<FolderRow<Kind>> {
  const files: { readonly [Each in RecordKind]: RecordFile<FolderRow<Each>> } = recordFiles
  return files[kind]
}
