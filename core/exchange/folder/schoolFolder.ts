import { z } from 'zod'
import type { Phrase } from '../../narrative/phrase'
import type { Retired } from '../../school/keptSetup'
import type { SchoolSetup } from '../../school/schoolSetup'
import { fields } from '../../record/fields'
import { termSchema } from '../../record/term'
import { text } from '../../text/textSchema'
import type { FileProblem } from '../files/problem'
import { phraseColumns, phraseTable, readPhraseRow } from './phrasebookFile'
import { writeCsv } from '../files/writeCsv'
import { FolderReader, type Folder, type FolderLimits } from './folderReader'
import { readJson } from './readJson'
import { inconsistentRows } from './inconsistentRows'
import { olderExams, withOlderExams } from './olderExams'
import { readKeptSetup } from './readSetupFolder'
import { recordFileOf, recordKinds, type FolderRow, type FolderRows, type Named, type RecordKind } from './recordFiles'

/** The file that only a folder with people, classes and results has. */
export const yearFile = 'year.json'

const termDays = termSchema
  .pick({ name: true, starts: true, ends: true, progressDue: true, commentsDue: true, locks: true })
  .extend({ name: fields.termName })

export const folderYear = z.object({
  format: z.literal('facunda school year 1'),
  name: text(40).pipe(z.string().min(1)),
  starts: fields.day,
  ends: fields.day,
  terms: z.array(termDays).max(12),
  /** For how many days it is kept who opened which class. */
  openingsDays: z.number().int().min(1).max(10_000),
})
export type FolderYear = z.infer<typeof folderYear>

/** All of a school's year: set-up, people, classes, and what was recorded, settled and written. */
export interface SchoolFolder {
  readonly setup: SchoolSetup
  readonly retired: Retired
  readonly year: FolderYear
  /** Phrases of somebody's own, with the name that person signs in with as their owner. */
  readonly ownPhrases: readonly Phrase[]
  readonly rows: FolderRows
}

/** A school of a hundred classes has room in these; one class's table is a thousandth. */
const largest: FolderLimits = {
  lines: 2_000_000,
  rows: 2_000_000,
  columns: 100,
  cells: 20_000_000,
  bytes: 200 * 1024 * 1024,
}

/**
 * Reads a school folder with its people, classes and results (docs/formats.md). Everything wrong is gathered, also what
 * names a child, a class, a skill or anything else that is not there; with any problem there is no folder.
 * @example readSchoolFolder(files without levels.csv).problems[0]?.reason // 'The file is missing.'
 */
export function readSchoolFolder(files: Folder): { folder: SchoolFolder | null; problems: FileProblem[] } {
  const reader = new FolderReader(files, largest)
  const kept = readKeptSetup(reader)
  const year = readJson(reader, yearFile, folderYear)
  const places: Places = new WeakMap()
  const rows = readRows(reader, places)
  if (!kept || !year) return { folder: null, problems: reader.problems }
  reportStrangers(reader, { rows, places }, { ...kept.setup, ...year })
  for (const { row, file, column, reason } of inconsistentRows(rows, kept.setup))
    reader.report(recordFileOf(file).name, places.get(row) ?? null, column, reason)
  const people = new Set(rows.people.map(({ signIn }) => signIn))
  const ownPhrases = readOwnPhrases(reader, kept.setup, people)
  if (reader.problems.length > 0) return { folder: null, problems: reader.problems }
  const categories = withOlderExams(rows.categories, readJson(reader, 'school.json', olderExams))
  return { folder: { ...kept, year, ownPhrases, rows: { ...rows, categories } }, problems: [] }
}

/** Where each row stands in its file, for what is found wrong later. */
type Places = WeakMap<object, number>

function readRows(reader: FolderReader, places: Places): FolderRows {
  const read = <Kind extends RecordKind>(kind: Kind) => readRowsOf(reader, kind, places)
  return {
    people: read('people'),
    students: read('students'),
    contacts: read('contacts'),
    classes: read('classes'),
    enrolments: read('enrolments'),
    teaching: read('teaching'),
    categories: read('categories'),
    work: read('work'),
    results: read('results'),
    marks: read('marks'),
    levels: read('levels'),
    habitScores: read('habitScores'),
    attendance: read('attendance'),
    notes: read('notes'),
    questions: read('questions'),
    answers: read('answers'),
    practice: read('practice'),
    choices: read('choices'),
    register: read('register'),
    photos: read('photos'),
    comments: read('comments'),
    accepted: read('accepted'),
  }
}

function readRowsOf<Kind extends RecordKind>(reader: FolderReader, kind: Kind, places: Places): FolderRow<Kind>[] {
  const file = recordFileOf(kind)
  const rows = reader.records(file.name, file.needed, file.presence).flatMap((record) => {
    const report = (heading: string, reason: string): void => reader.report(file.name, record.row, heading, reason)
    const value = file.read(record.get, report)
    if (value === null) return []
    places.set(value, record.row)
    return [{ row: record.row, key: file.key(value), value }]
  })
  return reader.unique(file.name, file.headings[0] ?? '', rows)
}

/** Reports each cell that names something which is not there. */
function reportStrangers(
  reader: FolderReader,
  { rows, places }: { rows: FolderRows; places: Places },
  { terms, subjects, skills, habits, boxes }: Pick<FolderYear, 'terms'> & Pick<SchoolSetup, keyof Retired>,
): void {
  const known: Record<Named, ReadonlySet<string>> = {
    people: new Set(rows.people.map(({ signIn }) => signIn)),
    students: new Set(rows.students.map(({ number }) => number)),
    classes: new Set(rows.classes.map(({ name }) => name)),
    work: new Set(rows.work.map(({ id }) => id)),
    term: new Set(terms.map(({ name }) => name)),
    subject: new Set(subjects.map(({ key }) => key)),
    skill: new Set(skills.map(({ id }) => id)),
    habit: new Set(habits.map(({ key }) => key)),
    box: new Set(boxes.map(({ key }) => key)),
  }
  const look = <Kind extends RecordKind>(kind: Kind): void => {
    const file = recordFileOf(kind)
    for (const row of rows[kind]) {
      for (const { heading, of, key } of file.names(row)) {
        if (known[of].has(key)) continue
        reader.report(file.name, places.get(row) ?? null, heading, `“${key}” is none of the ${whereFrom[of]}.`)
      }
    }
  }
  recordKinds.forEach(look)
}

const whereFrom: Record<Named, string> = {
  people: 'people in people.csv',
  students: 'numbers in students.csv',
  classes: 'classes in classes.csv',
  work: 'pieces of work in work.csv',
  term: `terms in ${yearFile}`,
  subject: 'subjects in subjects.csv',
  skill: 'skills in skills.csv',
  habit: 'habits in habits.csv',
  box: 'boxes in boxes.csv',
}

export const ownPhrasesFile = 'own-phrases.csv'
const ownerColumn = 'signs in as'

function readOwnPhrases(
  reader: FolderReader,
  { subjects }: Pick<SchoolSetup, 'subjects'>,
  people: ReadonlySet<string>,
): Phrase[] {
  const words = ['any', 'general', ...subjects.map(({ key }) => key)]
  return reader.records(ownPhrasesFile, [ownerColumn, ...phraseColumns], 'may be absent').flatMap((record) => {
    const owner = record.get(ownerColumn)
    if (!people.has(owner))
      reader.report(ownPhrasesFile, record.row, ownerColumn, `“${owner}” is none of the ${whereFrom.people}.`)
    const { phrase, problems } = readPhraseRow(record, words)
    for (const { column, reason } of problems) reader.report(ownPhrasesFile, record.row, column, reason)
    return phrase ? [{ ...phrase, owner }] : []
  })
}

/** Phrases of people's own, each with the name its owner signs in with. */
export function writeOwnPhrases(phrases: readonly Phrase[]): string {
  const [head = [], ...rows] = phraseTable(phrases)
  return writeCsv([[ownerColumn, ...head], ...rows.map((cells, at) => [phrases[at]?.owner ?? '', ...cells])])
}

/**
 * Rows of a kind as a file has them; with the row of headings where they are the file's first.
 * @example writeRecordRows('classes', [{ name: '5 Ash' }], true) // 'class\r\n5 Ash\r\n'
 */
export function writeRecordRows<Kind extends RecordKind>(
  kind: Kind,
  rows: readonly FolderRow<Kind>[],
  isFirst: boolean,
): string {
  const file = recordFileOf(kind)
  const cells = rows.map((row) => file.write(row))
  const all = isFirst ? [[...file.headings], ...cells] : cells
  return all.length === 0 ? '' : writeCsv(all)
}
