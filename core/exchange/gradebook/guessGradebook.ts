import { groupBy } from '../../groupBy'
import type { Matchable } from '../../people/matchStudent'
import { columnsOfChildren, type ChildColumns } from './columnsOfChildren'
import { derivedColumns } from './derivedColumns'
import { describingRowsOf } from './describingRows'
import { childRows, identifying, type ColumnRole, type GradebookMapping } from './gradebookMapping'
import { roleByHeading } from './gradebookWords'
import { guessColumn, usualMost } from './guessColumn'
import { headingRowOf, titlesBesides } from './headingRow'
import { isTitle, withoutLastWord } from './plainCells'
import { readDate } from '../files/readDate'
import { readScore } from './readScore'
import type { Table, TableRow } from '../files/readTable'
import { signLegend } from './signLegend'

/** What is known beside the file itself. */
export interface BesideFile {
  /** The row with the headings, where a person has said so. */
  readonly headingRow?: number | null
  /** The children of the class: their names and numbers tell their columns in every language. */
  readonly children?: readonly Matchable[]
  /** What a person has said of columns, by their places. */
  readonly roles?: ReadonlyMap<number, ColumnRole>
}

/**
 * Guesses how a gradebook file is laid out, from its headings and its values. A guess to be shown, not a verdict.
 * @param categories the names the class already uses; the first is proposed where the file names none
 *
 * @example guessGradebook(table, ['Quizzes']) // column 1 is the name, column 2 a quiz out of 20 of 12 October, …
 */
export function guessGradebook(
  table: Table,
  categories: readonly string[],
  { headingRow = null, children = [], roles = new Map() }: BesideFile = {},
): GradebookMapping {
  const ours = columnsOfChildren(table, children)
  const worded = table.rows.find((row) => row.number === headingRow) ?? headingRowOf(table, ours)
  const titles = headingRow === null ? titlesBesides(table, worded) : null
  const heading = titles?.row ?? worded
  const known = withChildren(rolesByHeadings(worded.cells), ours)
  const below = childRows(table, { headingRow: worded.number, describingRows: {} })
  const told = withWork(known, below, worded)
  const named = told.map((role, at) => roles.get(at) ?? role)
  const long = named.includes('score') && tellsWork(named.indexOf('work'), below)
  const described = long ? {} : describingRowsOf(table, heading, { named, firstChild: ours?.firstRow ?? null })
  const describingRows = titles ? { ...described, [String(worded.number)]: titles.beside } : described
  const students = childRows(table, { headingRow: heading.number, describingRows })
  const columns = widestColumns(table, heading).map(
    (index) =>
      roles.get(index) ??
      guessColumn(index, named[index] ?? null, {
        heading,
        students,
        long,
        delimiter: table.delimiter,
        maximaTold: Object.values(describingRows).includes('out of'),
      }),
  )
  return {
    sheet: '',
    shape: long ? 'long' : 'wide',
    headingRow: heading.number,
    columns: long ? withDates(columns, students) : withoutDerived(columns, heading, students),
    describingRows,
    category: categories[0] ?? 'Classwork',
    outOf: usualMost,
    dates: datesOf(table),
    people: {},
    signs: signLegend(table.rows),
  }
}

/** The columns that the class's own children tell are theirs; no other column can be the same then. */
function withChildren(named: readonly (ColumnRole | null)[], ours: ChildColumns | null): (ColumnRole | null)[] {
  if (!ours) return [...named]
  const taken = new Set(ours.roles.values())
  const width = Math.max(named.length, ...[...ours.roles.keys()].map((at) => at + 1))
  const isWhole = taken.has('name')
  return Array.from({ length: width }, (_, at) => {
    const [own, said] = [ours.roles.get(at), named[at] ?? null]
    if (own !== undefined) return own
    const isTaken = said !== null && (taken.has(said) || (isWhole && identifying.has(said) && said !== 'number'))
    return isTaken ? 'ignore' : said
  })
}

/**
 * Where one column is headed as scores are and no other holds numbers, the one column of words that repeat tells the
 * piece of work, whatever it is called.
 */
function withWork(named: (ColumnRole | null)[], rows: readonly TableRow[], heading: TableRow): (ColumnRole | null)[] {
  if (named.includes('work') || named.filter((role) => role === 'score').length !== 1 || rows.length < 2) return named
  const unnamed = heading.cells.flatMap((cell, at) => (cell !== '' && (named[at] ?? null) === null ? [at] : []))
  const cellsOf = (at: number): string[] => rows.map(({ cells }) => cells[at] ?? '').filter((cell) => cell !== '')
  const holdsScores = unnamed.some((at) => cellsOf(at).some((cell) => readScore(cell, null).kind === 'result'))
  // Where each child has one row, words that differ are answers.
  const mayDiffer = areRepeated(named, rows)
  const repeated = unnamed.filter((at) => {
    const cells = cellsOf(at)
    const times = groupBy(cells, (cell) => cell)
    const isTold = (mayDiffer || times.size === 1) && cells.length === rows.length && cells.every(isTitle)
    return isTold && [...times.values()].every((each) => each.length > 1)
  })
  const [work, ...others] = repeated
  if (holdsScores || work === undefined || others.length > 0) return named
  return named.map((role, at) => (at === work ? 'work' : role))
}

/** Whether somebody has more than one row, as far as the columns tell that say whose each is. */
function areRepeated(named: readonly (ColumnRole | null)[], rows: readonly TableRow[]): boolean {
  const places = named.flatMap((role, at) => (role !== null && identifying.has(role) ? [at] : []))
  const children = rows.map(({ cells }) => places.map((at) => cells[at] ?? '').join('|'))
  return places.length === 0 || new Set(children).size < children.length
}

/** Whether a column tells the piece of work of each row: ticks under "Title" do not. */
function tellsWork(at: number, rows: readonly TableRow[]): boolean {
  if (at < 0) return false
  const cells = rows.map(({ cells: each }) => each[at] ?? '').filter((cell) => cell !== '')
  return cells.some((cell) => cell.length > 1)
}

function withoutDerived(columns: ColumnRole[], heading: TableRow, students: readonly TableRow[]): ColumnRole[] {
  const scores = columns.flatMap((role, at) => (role === 'score' ? [at] : []))
  const derived = new Set([...derivedColumns(heading, students, scores), ...gradesBeside(heading, scores)])
  return columns.map((role, at) => (derived.has(at) ? 'ignore' : role))
}

const gradeWord = /\s*[([]?\b(note|grade|level|band|prozent|per ?cent|%|karakter|cijfer|betyg|nota|voto)[)\]]?$/i

/** Columns that tell the grade of the work beside them: "Test 1 points" and "Test 1 grade". */
function gradesBeside(heading: TableRow, scores: readonly number[]): number[] {
  const titles = new Map(scores.map((at) => [at, heading.cells[at] ?? '']))
  return scores.filter((at) => {
    const title = titles.get(at) ?? ''
    const work = title.replace(gradeWord, '')
    if (work === title || work === '') return false
    return [...titles].some(([other, each]) => other !== at && (each === work || withoutLastWord(each) === work))
  })
}

/** Where no heading names the day, the one column that holds nothing but dates tells it. */
function withDates(columns: ColumnRole[], rows: readonly TableRow[]): ColumnRole[] {
  if (columns.includes('date')) return columns
  const dated = columns.flatMap((role, at) => {
    const cells = rows.map((row) => row.cells[at] ?? '').filter((cell) => cell !== '')
    return role === 'ignore' && cells.length > 0 && cells.every((cell) => readDate(cell) !== undefined) ? [at] : []
  })
  return columns.map((role, at) => (dated.length === 1 && at === dated[0] ? 'date' : role))
}

/**
 * Headings are read beside each other: a family name with a whole name beside it is parted into two ("Cognome, Nome"),
 * and one that has nothing beside it stands for the whole.
 */
function rolesByHeadings(cells: readonly string[]): (ColumnRole | null)[] {
  const named = cells.map(roleByHeading)
  if (!named.includes('family name') || named.includes('given name')) return named
  if (named.includes('name')) return named.map((role) => (role === 'name' ? 'given name' : role))
  return named.map((role) => (role === 'family name' ? 'name' : role))
}

function widestColumns(table: Table, heading: TableRow): number[] {
  const width = Math.max(heading.cells.length, ...table.rows.slice(0, 50).map((row) => row.cells.length))
  return Array.from({ length: width }, (_, index) => index)
}

/** Month first only when some date can be read no other way. */
function datesOf(table: Table): GradebookMapping['dates'] {
  // In a title, too: "Vocabulary 9/18/2026".
  const written = table.rows.flatMap(({ cells }) => cells.filter((cell) => /\d[./-]\d/.test(cell)))
  const local = written.map((cell) => /(?:^|[\s(])(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}(?=$|[\s),])/.exec(cell))
  const monthFirst = local.some((parts) => parts !== null && Number(parts[2]) > 12)
  const dayFirst = local.some((parts) => parts !== null && Number(parts[1]) > 12)
  return monthFirst && !dayFirst ? 'month first' : 'day first'
}
