import Papa from 'papaparse'
import { UnreadableFile } from './problem'
import { asWritten } from './writeCsv'

/** A file's cells as text, blank rows left out. Each row remembers its number in the file. */
export interface Table {
  readonly rows: readonly TableRow[]
  readonly delimiter: string
}

export interface TableRow {
  /** 1-based, counting blank rows, as a spreadsheet shows it. */
  readonly number: number
  readonly cells: readonly string[]
}

/** A table with the name of the sheet that it stands on; empty for a file that has no sheets. */
export interface NamedTable {
  readonly sheet: string
  readonly table: Table
}

const longestCell = 100_000
/** How much a table may hold. */
export interface TableLimits {
  readonly lines: number
  readonly rows: number
  readonly columns: number
  readonly cells: number
}

/** The largest table that is taken in; a class's gradebook is a hundredth of it. */
export const largestTable: TableLimits = { lines: 100_000, rows: 10_000, columns: 500, cells: 300_000 }
const delimiters = [',', ';', '\t', '|'] as const

/**
 * Reads separated values by the rules of RFC 4180, and what people have beyond it: semicolons, tabs or bars as
 * separators, any line ending, blank lines anywhere, rows of unequal length. The apostrophe that writeCsv puts before
 * what a spreadsheet would run is taken off again.
 * @throws UnreadableFile when a quote is never closed, a cell is absurdly long, or nothing is there
 * @example readTable('Number;Quiz\n05101;17,5') // delimiter ';', rows [{ number: 1, cells: ['Number', 'Quiz'] }, …]
 */
export function readTable(text: string, largest: TableLimits = largestTable): Table {
  const { delimiter, parsed } = parsedBest(text, largest.lines + 1)
  if (parsed.data.length > largest.lines) {
    throw new UnreadableFile(
      `The file has more than ${largest.lines.toLocaleString('en')} lines, most of them empty or ` +
        'none of a class’s. Save only the rows of the class and choose that file.',
    )
  }
  const broken = parsed.errors.find(isOfQuotes)
  if (broken) {
    throw new UnreadableFile(
      `Row ${(broken.row ?? 0) + 1} has a quotation mark that is never closed, or text after one that is.`,
    )
  }
  const rows = parsed.data
    .map((cells, index) => ({ number: index + 1, cells: cells.map((cell) => asWritten(cell.trim())) }))
    .filter(({ cells }) => !isBlank(cells))
  for (const row of rows) {
    if (row.cells.some((cell) => cell.length > longestCell)) {
      throw new UnreadableFile(
        `Row ${row.number} has a cell of more than ${longestCell.toLocaleString('en')} characters. ` +
          'Is this a gradebook?',
      )
    }
  }
  if (rows.length === 0) throw new UnreadableFile('The file has no rows with anything in them.')
  const columns = rows.reduce((most, row) => Math.max(most, row.cells.length), 0)
  if (columns > largest.columns) {
    throw new UnreadableFile(
      `The file has ${columns.toLocaleString('en')} columns; up to ${largest.columns} can be read. ` +
        'Take out what is no work of this subject, or bring it in parts.',
    )
  }
  if (rows.length > largest.rows || rows.length * columns > largest.cells) {
    throw new UnreadableFile(
      `The file has ${rows.length.toLocaleString('en')} rows of ${columns} columns, more than can be read at once. ` +
        'Bring it in parts, a subject or a class at a time.',
    )
  }
  return { rows, delimiter }
}

/** Nothing in any cell, or a line of separators that are not this file's. */
function isBlank(cells: readonly string[]): boolean {
  return cells.length === 1 ? /^[,;|\s]*$/.test(cells[0] ?? '') : cells.every((cell) => cell === '')
}

/** By the likeliest separator by which every quote is closed; where there is none, by the likeliest. */
function parsedBest(text: string, preview: number): { delimiter: string; parsed: Papa.ParseResult<string[]> } {
  const [likeliest = ',', ...others] = guessedDelimiters(text)
  const first = parsedBy(likeliest, text, preview)
  if (!first.parsed.errors.some(isOfQuotes)) return first
  for (const other of others) {
    const next = parsedBy(other, text, preview)
    if (!next.parsed.errors.some(isOfQuotes)) return next
  }
  return first
}

function parsedBy(
  delimiter: string,
  text: string,
  preview: number,
): { delimiter: string; parsed: Papa.ParseResult<string[]> } {
  const parse = (written: string) => Papa.parse<string[]>(written, { delimiter, skipEmptyLines: false, preview })
  const asItIs = parse(text)
  return asItIs.data.some(hasQuotesLeft)
    ? { delimiter, parsed: parse(withoutBlanksBesideQuotes(text, delimiter)) }
    : { delimiter, parsed: asItIs }
}

function isOfQuotes({ type }: { type: string }): boolean {
  return type === 'Quotes'
}

/** A cell that still stands in quotes had blanks before them. */
function hasQuotesLeft(cells: readonly string[]): boolean {
  return cells.some((cell) => /^\s+"[^"]*"\s*$/.test(cell))
}

/** "Name" , "Quiz": the blanks around quoted cells, which are no part of them. */
function withoutBlanksBesideQuotes(text: string, delimiter: string): string {
  const sign = delimiter === '|' ? '\\|' : delimiter
  const cell = new RegExp(
    `(^|${sign})[^\\S\\r\\n${delimiter === '\t' ? '\\t' : ''}]*("(?:[^"]|"")*") *(?=${sign}|\\r|\\n|$)`,
    'gm',
  )
  return text.replace(cell, '$1$2')
}

/**
 * The separators in the order of how likely they are: what cuts the first lines into the most columns, as evenly as can
 * be; the earlier ones before others as likely. What stands in quotes is not looked at, nor what cuts nothing.
 */
function guessedDelimiters(text: string): string[] {
  const lines = text
    .slice(0, 20_000)
    .replace(/"(?:[^"]|"")*"?/g, 'q')
    .split(/\r\n|\n|\r/)
    .filter((line) => line.trim() !== '')
    .slice(0, 20)
  const scores = delimiters.map((delimiter) => {
    const counts = lines.map((line) => line.split(delimiter).length - 1).sort((a, b) => a - b)
    const usual = counts[Math.floor(counts.length / 2)] ?? 0
    const even = counts.filter((count) => count === usual).length / Math.max(1, counts.length)
    return { delimiter, score: usual * even, most: counts.at(-1) ?? 0 }
  })
  // Those that few lines have, too: one of them may be meant where the likelier leave a quote open.
  return scores
    .filter(({ most }) => most > 0)
    .toSorted((a, b) => b.score - a.score)
    .map(({ delimiter }) => delimiter)
}
