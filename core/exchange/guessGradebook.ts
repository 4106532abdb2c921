import { headingKey } from './readRecords'
import type { ColumnRole, DescribingRow, GradebookMapping } from './gradebookMapping'
import { readScore } from './readScore'
import type { Table, TableRow } from './readTable'

const headingWords: [ColumnRole, RegExp][] = [
  ['number', /^(student)?(number|no|nr|id|#)$|^(school|student|pupil|learner)(number|no|id|nr)$/],
  ['given name', /^(given|first|fore)(name)?s?$/],
  ['family name', /^(family|last|sur)(name)?s?$/],
  ['name', /^(full)?name$|^(student|pupil|learner|child)(name)?s?$|^(student|pupil)s?fullname$/],
  ['work', /^(work|pieceofwork|assignment|task|assessment|test|item|title|activity)$/],
  ['score', /^(score|result|mark|points|grade|pointsscored)$/],
  ['out of', /^(outof|max|maximum|maxpoints|maximumpoints|pointspossible|possible|of)$/],
  ['category', /^(category|type|kind|group)$/],
  ['date', /^(date|due|duedate|day|doneon)$/],
  ['remark', /^(remark|comment|note|notes|remarks)s?$/],
  ['ignore', /^(total|average|mean|sum|percent|%|overall|email|mail|class|homeroom|grade ?level|section|final.*)$/],
]

const describingWords: [DescribingRow, RegExp][] = [
  ['out of', /^(outof|max(imum)?(points|score)?|pointspossible|possible)$/],
  ['category', /^(category|type|kind)$/],
  ['date', /^(date|due|duedate)$/],
  ['weight', /^(weight|counts)$/],
]

/**
 * Guesses how a gradebook file is laid out, from its headings and its values. A guess to be shown, not a verdict.
 * @param categories the names the class already uses; the first is proposed where the file names none
 */
export function guessGradebook(table: Table, categories: readonly string[]): GradebookMapping {
  const heading = headingRowOf(table)
  const body = table.rows.filter((row) => row.number > heading.number)
  const named = heading.cells.map((cell) => roleByHeading(cell))
  const long = named.includes('work') && named.includes('score')
  const describingRows = long ? {} : describingRowsOf(table, heading)
  const students = body.filter((row) => !(row.number in describingRows))
  const columns = widestColumns(table, heading).map((index) =>
    guessColumn(index, named[index] ?? null, heading, students, long),
  )
  return {
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

/** A heading's own maximum, as in "Quiz 3 (20)" or "Quiz 3 /20", parted from the title. */
export function readWorkHeading(heading: string): { title: string; outOf: number | null } {
  const parts =
    /^(.*\S)\s*(?:\(\s*(?:out of|max\.?|\/)?\s*(\d+(?:[.,]\d+)?)\s*(?:points|pts|p)?\s*\)|\/\s*(\d+(?:[.,]\d+)?))$/i.exec(
      heading,
    )
  const most = parts?.[2] ?? parts?.[3]
  return parts && most
    ? { title: parts[1] ?? heading, outOf: Number(most.replace(',', '.')) }
    : { title: heading, outOf: null }
}

function roleByHeading(cell: string): ColumnRole | null {
  const key = headingKey(cell)
  return headingWords.find(([, pattern]) => pattern.test(key))?.[0] ?? null
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

function describingRowsOf(table: Table, heading: TableRow): Record<string, DescribingRow> {
  const found: Record<string, DescribingRow> = {}
  for (const row of table.rows.slice(0, 14)) {
    if (row === heading) continue
    const label = row.cells.find((cell) => cell !== '') ?? ''
    const kind = describingWords.find(([, pattern]) => pattern.test(headingKey(label)))?.[0]
    if (kind) found[String(row.number)] = kind
  }
  return found
}

function widestColumns(table: Table, heading: TableRow): number[] {
  const width = Math.max(heading.cells.length, ...table.rows.slice(0, 50).map((row) => row.cells.length))
  return Array.from({ length: width }, (_, index) => index)
}

function guessColumn(
  index: number,
  named: ColumnRole | null,
  heading: TableRow,
  students: TableRow[],
  long: boolean,
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
