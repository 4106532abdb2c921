import { z } from 'zod'
import { resultStates } from '../../marks/work'
import { keptSentenceSchema } from '../../narrative/keptSentence'
import { photoProblem } from '../../people/photo'
import { checkKeys } from '../../record/checkKeys'
import { fields } from '../../record/fields'
import { noteKinds } from '../../record/observations'
import { practiceKinds } from '../../record/practice'
import { mostQuestions } from '../../record/questions'
import { presences } from '../../record/register'
import { commentStatuses } from '../../record/termRecord'
import { text } from '../../text/textSchema'
import {
  exactText,
  gradesOrAll,
  json,
  needed,
  numberFrom,
  numberIn,
  oneOf,
  orNothing,
  perhaps,
  textIn,
  words,
  yesOrNo,
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

const number = textIn('number', fields.schoolNumber)
const term = textIn('term', fields.termName)
/** What the record proposed when a level was settled. */
const proposed = { ...orNothing(textIn('proposed then', fields.symbol)), newer: true } as const
const subject = needed('subject', 80)
const photo: Column<string> = {
  ...words('JPEG as base64', 200_000),
  cell: z.string().superRefine((jpeg, found) => {
    const problem = photoProblem(jpeg)
    if (problem !== null) found.addIssue({ code: 'custom', message: problem })
  }),
}
const day = textIn('day', fields.day)
const stay = { from: orNothing(textIn('from', fields.day)), to: orNothing(textIn('to', fields.day)) }
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
      signIn: textIn('signs in as', fields.signIn),
      given: textIn('given name', fields.givenName),
      family: textIn('family name', fields.familyName),
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
      given: textIn('given name', fields.givenName),
      used: textIn('used name', fields.givenName),
      family: textIn('family name', fields.familyName),
      pronouns: textIn('pronouns', fields.pronouns),
    },
    ['number'],
    {},
  ),
  contacts: recordFile(
    'contacts.csv',
    {
      number,
      name: textIn('contact', fields.contactName),
      relation: textIn('relation', fields.relation),
      household: numberIn('household', fields.household),
      email: textIn('mail', fields.mail),
      language: textIn('language', fields.language),
      told: yesOrNothing('reports go to them'),
    },
    ['number', 'name', 'relation', 'household', 'email', 'language'],
    { number: 'students' },
  ),
  classes: recordFile(
    'classes.csv',
    { name: textIn('class', fields.className), group: { ...perhaps('group of', 80), newer: true } },
    ['name'],
    { group: 'subject' },
  ),
  enrolments: recordFile(
    'enrolments.csv',
    {
      room: textIn('class', fields.className),
      number,
      place: numberFrom('place', 0, 10_000),
      grade: textIn('grade level', fields.gradeLevel),
      ...stay,
    },
    ['room', 'number'],
    { room: 'classes', number: 'students' },
  ),
  teaching: recordFile(
    'teaching.csv',
    {
      room: textIn('class', fields.className),
      subject: perhaps('subject', 80),
      person: textIn('signs in as', fields.signIn),
      secondReader: yesOrNothing('second reader'),
      ...stay,
    },
    ['room', 'subject', 'person', 'secondReader', 'from', 'to'],
    { room: 'classes', subject: 'subject', person: 'people' },
  ),
  categories: recordFile(
    'categories.csv',
    {
      room: textIn('class', fields.className),
      subject,
      key: needed('key', 80),
      name: textIn('name', fields.categoryName),
      weight: numberIn('weight', fields.weight),
      isExam: { ...yesOrNothing('exam'), newer: true },
    },
    ['room', 'subject', 'key'],
    { room: 'classes', subject: 'subject' },
  ),
  work: recordFile(
    'work.csv',
    {
      id: needed('work', 40),
      room: textIn('class', fields.className),
      term,
      subject,
      title: textIn('title', fields.workTitle),
      category: words('category', 80),
      date: orNothing(textIn('date', fields.day)),
      outOf: numberIn('out of', fields.outOf),
      weight: numberIn('weight', fields.weight),
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
      score: orNothing(numberIn('score', fields.score)),
      remark: exactText('remark', fields.remark),
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
      percent: orNothing(numberIn('mark', fields.percent)),
      special: perhaps('in its place', 40),
      reason: orNothing(exactText('reason', fields.reason)),
      proposed: { ...orNothing(numberIn('proposed then', fields.proposed)), newer: true },
    },
    ['term', 'number', 'subject'],
    { ...ofTerm, subject: 'subject' },
  ),
  levels: recordFile(
    'levels.csv',
    { term, number, about: needed('skill', 80), symbol: textIn('level', fields.symbol), proposed },
    ['term', 'number', 'about'],
    { ...ofTerm, about: 'skill' },
  ),
  habitScores: recordFile(
    'habit-scores.csv',
    { term, number, about: needed('habit', 80), symbol: textIn('score', fields.symbol), proposed },
    ['term', 'number', 'about'],
    { ...ofTerm, about: 'habit' },
  ),
  attendance: recordFile(
    'attendance.csv',
    {
      term,
      number,
      daysOpen: numberIn('days open', fields.days),
      absences: numberIn('absences', fields.days),
      lates: numberIn('lates', fields.times),
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
      day,
      kind: { ...oneOf('about a', noteKindsOrNone), newer: true },
      about: words('about', 80),
      symbol: { ...orNothing(textIn('level', fields.symbol)), newer: true },
      text: exactText('text', fields.note),
      mayTell: { ...yesOrNothing('may be told'), newer: true },
      by: { ...orNothing(textIn('signs in as', fields.signIn)), newer: true },
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
        words: exactText('words', fields.questionWords),
        skill: perhaps('skill', 80),
        outOf: numberIn('out of', fields.outOf),
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
        score: numberIn('score', fields.score),
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
        program: textIn('program', fields.program),
        kind: oneOf('kind', practiceKinds),
        name: textIn('week, goal or score', fields.practiceName),
        amount: orNothing(numberIn('amount', fields.practised)),
        beside: orNothing(numberIn('asked, out of or before', fields.practised)),
      },
      ['term', 'number', 'program', 'kind', 'name'],
      ofTerm,
    ),
  ),
  /** Whether a child takes a subject, where it is otherwise than with the rest. */
  choices: newer(
    recordFile('choices.csv', { number, subject, takes: yesOrNo('takes') }, ['number', 'subject'], {
      number: 'students',
      subject: 'subject',
    }),
  ),
  register: newer(
    recordFile('register.csv', { number, day, presence: oneOf('presence', presences) }, ['number', 'day'], {
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
      text: exactText('text', fields.comment),
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
      check: oneOf('check', checkKeys),
      found: exactText('words', text(2000)),
      by: textIn('signs in as', fields.signIn),
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
