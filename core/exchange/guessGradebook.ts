import { describedBy, roleByHeading } from './gradebookWords'
import type { ColumnRole, DescribingRow, GradebookMapping } from './gradebookMapping'
import { readDate } from './readDate'
import { readScore } from './readScore'
import type { Table, TableRow } from './readTable'

/**
 * Guesses how a gradebook file is laid out, from its headings and its values. A guess to be shown, not a verdict.
 * @param categories the names the class already uses; the first is proposed where the file names none
 * @param headingRow the row with the headings, where a person has said so
 *
 * @example guessGradebook(table, ['Quizzes']) // column 1 is the name, column 2 a quiz out of 20 of 12 October, …
 */
export function guessGradebook(
  table: Table,
  categories: readonly string[],
  headingRow: number | null = null,
): GradebookMapping {
  const heading = table.rows.find((row) => row.number === headingRow) ?? headingRowOf(table)
  const body = table.rows.filter((row) => row.number > heading.number)
  const named = rolesByHeadings(heading.cells)
  const long = named.includes('work') && named.includes('score')
  const describingRows = long ? {} : describingRowsOf(table, heading, named)
  const students = body.filter((row) => !(row.number in describingRows))
  const columns = widestColumns(table, heading).map((index) =>
    guessColumn(index, named[index] ?? null, { heading, students, long }),
  )
  return {
    sheet: '',
    shape: long ? 'long' : 'wide',
    headingRow: heading.number,
    columns,
    describingRows,
    category: categories[0] ?? 'Classwork',
    outOf: 100,
    dates: datesOf(table),
    people: {},
  }
}

const fullDate = /(?:^|[\s,;(])(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}([./-])\d{1,2}\2(?:\d{4}|\d{2}))(?=$|[\s,;)])/
const dateInWords = /(?:^|[\s,;(])(\d{1,2}\.? \p{L}{3,}\.? \d{4}|\p{L}{3,}\.? \d{1,2}, \d{4})(?=$|[\s,;)])/u
const ownMaximum =
  /^(.*\S)\s*(?:[([]\s*(?:out of|max\.?|\/)?\s*(\d+(?:[.,]\d+)?)\s*(?:points|pts|p)?\s*[)\]]|\/\s*(\d+(?:[.,]\d+)?))$/i

/**
 * A heading's own maximum, as in "Quiz 3 (20)" or "Quiz 3 /20", parted from the title; and a date that stands in it.
 * "12/10/2026" is a date and "12/10" may be one, so neither is a maximum.
 *
 * @example readWorkHeading('River quiz (20)') // { title: 'River quiz', outOf: 20, date: null }
 * @example readWorkHeading('Quiz 12/10/2026') // { title: 'Quiz 12/10/2026', outOf: null, date: '12/10/2026' }
 */
export function readWorkHeading(written: string): { title: string; outOf: number | null; date: string | null } {
  // A heading may be broken over lines in its cell.
  const heading = written.replace(/\s+/g, ' ')
  const inWords = dateInWords.exec(heading)?.[1]
  const date = fullDate.exec(heading)?.[1] ?? (inWords && readDate(inWords) ? inWords : null)
  const parts = ownMaximum.exec(heading)
  const most = parts?.[2] ?? parts?.[3]
  const endsInDate = /\d{1,2}[./-]\d{1,2}([./-]\d{2,4})?\)?$/.test(heading) && mayBeDate(heading)
  return parts && most !== undefined && !endsInDate
    ? { title: parts[1] ?? heading, outOf: Number(most.replace(',', '.')), date }
    : { title: heading, outOf: null, date }
}

/** Whether the figures at the end could be a day and a month, in either order. */
function mayBeDate(heading: string): boolean {
  const parts = /(\d{1,2})[./-](\d{1,2})(?:[./-]\d{2,4})?\)?$/.exec(heading)
  const [one, two] = [Number(parts?.[1] ?? 0), Number(parts?.[2] ?? 0)]
  return one > 0 && two > 0 && Math.max(one, two) <= 31 && Math.min(one, two) <= 12
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

/** The row among the first twelve with the most headings we know; the first row when none has any. */
function headingRowOf(table: Table): TableRow {
  const first = table.rows[0] ?? { number: 1, cells: [] }
  let best = { row: first, known: 0 }
  for (const row of table.rows.slice(0, 12)) {
    const known = row.cells.filter((cell) => cell !== '' && roleByHeading(cell) !== null).length
    if (known > best.known) best = { row, known }
  }
  return best.row
}

/** Rows that tell of the work: those whose label says so, and those above the headings that stand over work alone. */
function describingRowsOf(
  table: Table,
  heading: TableRow,
  named: readonly (ColumnRole | null)[],
): Record<string, DescribingRow> {
  const people = named.flatMap((role, at) => (role !== null && identifying.has(role) ? [at] : []))
  return Object.fromEntries(
    table.rows.slice(0, 14).flatMap((row) => {
      if (row === heading) return []
      const label = describedBy(row.cells.find((cell) => cell !== '') ?? '')
      const kind =
        label !== null && !mayBeChild(row, { table, heading, people })
          ? label
          : row.number < heading.number
            ? toldAbove(row, people)
            : null
      return kind === null ? [] : [[String(row.number), kind] as const]
    }),
  )
}

const identifying: ReadonlySet<ColumnRole> = new Set<ColumnRole>(['number', 'name', 'given name', 'family name'])

/**
 * Whether a row below the headings is a child who is called like a label: Max, who has scored no more than others. At
 * the foot Max is what was reached and not what could be.
 */
function mayBeChild(
  row: TableRow,
  { table, heading, people }: { table: Table; heading: TableRow; people: readonly number[] },
): boolean {
  if (row.number < heading.number) return false
  if (people.filter((at) => (row.cells[at] ?? '') !== '').length > 1) return true
  if (!row.cells.some((cell) => /^max(imum)?$/i.test(cell))) return false
  const others = table.rows.filter((each) => each.number > heading.number && each !== row)
  const isAtHead = others.every(
    (each) => each.number > row.number || describedBy(each.cells.find((cell) => cell !== '') ?? '') !== null,
  )
  const isHighest = row.cells.every((cell, at) => {
    const most = people.includes(at) ? null : numberIn(cell)
    return most === null || others.every((other) => (numberIn(other.cells[at] ?? '') ?? 0) <= most)
  })
  return !isAtHead || !isHighest
}

/** What a row above the headings tells without a label: nothing over the children, dates or words over the work. */
function toldAbove(row: TableRow, people: readonly number[]): DescribingRow | null {
  const cells = row.cells.filter((cell) => cell !== '')
  if (people.length === 0 || cells.length === 0 || people.some((at) => (row.cells[at] ?? '') !== '')) return null
  if (row.cells.findIndex((cell) => cell !== '') < Math.max(...people)) return null
  if (cells.every((cell) => readDate(cell) !== undefined)) return 'date'
  if (cells.every((cell) => numberIn(cell) !== null)) return 'out of'
  return cells.every((cell) => numberIn(cell) === null) ? 'category' : null
}

function numberIn(cell: string): number | null {
  const value = Number(cell.replace(',', '.'))
  return cell === '' || Number.isNaN(value) ? null : value
}

function widestColumns(table: Table, heading: TableRow): number[] {
  const width = Math.max(heading.cells.length, ...table.rows.slice(0, 50).map((row) => row.cells.length))
  return Array.from({ length: width }, (_, index) => index)
}

function guessColumn(
  index: number,
  named: ColumnRole | null,
  { heading, students, long }: { heading: TableRow; students: readonly TableRow[]; long: boolean },
): ColumnRole {
  if (long) return named ?? 'ignore'
  if (named !== null && ['number', 'name', 'given name', 'family name', 'ignore'].includes(named)) return named
  const values = students.map((row) => row.cells[index] ?? '').filter((cell) => cell !== '')
  const scores = values.filter((cell) => readScore(cell, null).kind === 'result').length
  if ((heading.cells[index] ?? '') === '') return 'ignore'
  return values.length > 0 && scores >= values.length / 2 ? 'score' : 'ignore'
}

/** Month first only when some date can be read no other way. */
function datesOf(table: Table): GradebookMapping['dates'] {
  const local = table.rows.flatMap((row) => row.cells.map((cell) => /^(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}$/.exec(cell)))
  const monthFirst = local.some((parts) => parts !== null && Number(parts[2]) > 12)
  const dayFirst = local.some((parts) => parts !== null && Number(parts[1]) > 12)
  return monthFirst && !dayFirst ? 'month first' : 'day first'
}
