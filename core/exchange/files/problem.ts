/** Something wrong with a file that a person brought, in words they can act on. */
export interface FileProblem {
  readonly file: string
  /** 1-based row as a spreadsheet shows it; null when it is about the whole file. */
  readonly row: number | null
  /** The column's heading, or null. */
  readonly column: string | null
  readonly reason: string
}

/** A file that cannot be read at all. The message is meant for the person who brought it. */
export class UnreadableFile extends Error {
  constructor(reason: string) {
    super(reason)
    this.name = 'UnreadableFile'
  }
}

/**
 * "results.csv, row 4, column Score: …", as the batch command prints it.
 *
 * @example problemText({ file: 'marks.csv', row: 3, column: 'percent', reason: 'is no number' })
 * // 'marks.csv, row 3, column percent: is no number'
 */
export function problemText({ file, row, column, reason }: FileProblem): string {
  return (
    [file, row === null ? null : `row ${row}`, column === null ? null : `column ${column}`].filter(Boolean).join(', ') +
    `: ${reason}`
  )
}
