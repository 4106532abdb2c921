import { UnreadableFile } from '../files/problem'
import { headingKey } from '../files/readRecords'
import { readTable, type TableRow } from '../files/readTable'
import type { ListColumn } from './listColumns'

/** A list as it was pasted or as a file has it, its columns known. */
export interface ReadList<Key extends string = string> {
  readonly rows: readonly ListRow<Key>[]
  /** The columns that the list has, in its order. */
  readonly columns: readonly Key[]
  /** Headings that nobody knows; their columns are left out. */
  readonly unknown: readonly string[]
}

export interface ListRow<Key extends string = string> {
  /** 1-based, as a spreadsheet shows it. */
  readonly row: number
  /** What stands in a column; "" where the list has no such column. */
  readonly cell: (column: Key) => string
}

/** A row that cannot be taken in, and why. */
export interface RefusedRow {
  readonly row: number
  readonly reason: string
}

/**
 * The one door for lists of any kind: pasted from a spreadsheet, typed a row a line, or from a CSV file. With headings,
 * columns stand in any order; without, each line is one of what the list is about, whole, commas and all.
 * @throws UnreadableFile when there is nothing to read, or columns without headings
 * @example readList('Skill\tStrand\nReads maps\tPlaces', skillColumns).rows[0]?.cell('strand') // 'Places'
 */
export function readList<Key extends string>(text: string, columns: readonly ListColumn<Key>[]): ReadList<Key> {
  if (text.trim() === '') throw new UnreadableFile('There is nothing here yet. Copy a list and paste it here.')
  const table = readTable(text).rows
  const headings = table[0]?.cells ?? []
  const found = headings.map(
    (heading) => columns.find((column) => column.is(heading, headingKey(heading)))?.key ?? null,
  )
  if (found.every((key) => key === null)) return withoutHeadings(text, columns)
  return {
    columns: found.filter((key) => key !== null),
    unknown: headings.filter((heading, at) => heading !== '' && found[at] === null),
    rows: table.slice(1).map((row) => listRow(row, found)),
  }
}

function listRow<Key extends string>({ number, cells }: TableRow, found: readonly (Key | null)[]): ListRow<Key> {
  return { row: number, cell: (column) => tidy(cells[found.indexOf(column)] ?? '') }
}

function withoutHeadings<Key extends string>(text: string, columns: readonly ListColumn<Key>[]): ReadList<Key> {
  const main = columns.find((column) => column.main)
  if (!main || text.includes('\t')) {
    const known = columns.map(({ title }) => title).join(', ')
    throw new UnreadableFile(`There are columns without headings here. Put a row of headings first: ${known}.`)
  }
  const lines = text.split(/\r\n|\r|\n/).map((line, at) => ({ row: at + 1, words: tidy(line) }))
  return {
    columns: [main.key],
    unknown: [],
    rows: lines
      .filter(({ words }) => words !== '')
      .map(({ row, words }) => ({ row, cell: (column) => (column === main.key ? words : '') })),
  }
}

function tidy(written: string): string {
  return written.normalize('NFC').replace(/\s+/g, ' ').trim()
}
