import type { FileProblem } from './problem'
import type { Table } from './readTable'

/** A row by its headings. */
export interface FileRecord {
  readonly row: number
  readonly get: (heading: string) => string
}

/**
 * Reads a table whose first row names the columns, in any order and case. Columns nobody asked for are ignored.
 * @returns the records, or the problems when a needed column is missing
 */
export function readRecords(
  file: string,
  table: Table,
  needed: readonly string[],
): { records: FileRecord[]; problems: FileProblem[] } {
  const [head, ...body] = table.rows
  const headings = new Map((head?.cells ?? []).map((cell, index) => [headingKey(cell), index]))
  const problems = needed
    .filter((heading) => !headings.has(headingKey(heading)))
    .map((heading) => ({
      file,
      row: head?.number ?? 1,
      column: heading,
      reason: `The column “${heading}” is missing.`,
    }))
  const records = body.map((row) => ({
    row: row.number,
    get: (heading: string) => row.cells[headings.get(headingKey(heading)) ?? -1] ?? '',
  }))
  return { records: problems.length > 0 ? [] : records, problems }
}

/**
 * Headings are compared without case, accents, punctuation and spaces: "Family name", "family_name" and "FamilyName"
 * are one.
 *
 * @example headingKey(' Out of (points) ') // 'outofpoints'
 */
export function headingKey(heading: string): string {
  return heading
    .normalize('NFD')
    .toLocaleLowerCase('en')
    .replace(/[^\p{L}\p{N}#%]+/gu, '')
}
