import type { z } from 'zod'
import { decodeText, largestFile } from '../files/decodeText'
import { readByGrade, type ByGrade } from '../../people/byGrade'
import { UnreadableFile, type FileProblem } from '../files/problem'
import { readRecords, type FileRecord } from '../files/readRecords'
import { largestTable, readTable, type Table, type TableLimits } from '../files/readTable'

/** A folder's files by name. */
export type Folder = ReadonlyMap<string, Uint8Array>

/** How much each file of a folder may hold. */
export interface FolderLimits extends TableLimits {
  readonly bytes: number
}

/** Reads a folder's files and gathers what is wrong with them, so that all of it can be told at once. */
export class FolderReader {
  readonly problems: FileProblem[] = []
  private readonly wrongRows = new Set<string>()

  constructor(
    private readonly folder: Folder,
    private readonly largest: FolderLimits = { ...largestTable, bytes: largestFile },
  ) {}

  names(): string[] {
    return [...this.folder.keys()].sort()
  }

  report(file: string, row: number | null, column: string | null, reason: string): void {
    this.problems.push({ file, row, column, reason })
    this.wrongRows.add(`${file} ${row}`)
  }

  /** A file's cells; null after reporting when it cannot be read. */
  table(file: string): Table | null {
    const bytes = this.folder.get(file)
    try {
      return readTable(decodeText(bytes ?? new Uint8Array(), this.largest.bytes), this.largest)
    } catch (error) {
      if (!(error instanceof UnreadableFile)) throw error
      this.report(file, null, null, error.message)
      return null
    }
  }

  /** A file's rows by heading. A file that may be absent gives none. */
  records(file: string, needed: readonly string[], presence: 'needed' | 'may be absent' = 'needed'): FileRecord[] {
    if (!this.folder.has(file)) {
      if (presence === 'needed') this.report(file, null, null, 'The file is missing.')
      return []
    }
    const table = this.table(file)
    if (!table) return []
    const { records, problems } = readRecords(file, table, needed)
    this.problems.push(...problems)
    return records
  }

  /** A file's text; null after reporting when it is missing or no text. */
  text(file: string): string | null {
    const bytes = this.folder.get(file)
    if (!bytes) {
      this.report(file, null, null, 'The file is missing.')
      return null
    }
    try {
      return decodeText(bytes)
    } catch (error) {
      if (!(error instanceof UnreadableFile)) throw error
      this.report(file, null, null, error.message)
      return null
    }
  }

  /** One of a set of words; reports and gives undefined for any other. */
  oneOf<T extends string>(file: string, record: FileRecord, column: string, words: readonly T[]): T | undefined {
    const written = record.get(column).toLocaleLowerCase('en')
    const found = words.find((word) => word.toLocaleLowerCase('en') === written)
    if (found === undefined)
      this.report(file, record.row, column, `“${record.get(column)}” is none of: ${words.join(', ')}.`)
    return found
  }

  /** A number not below zero; an empty cell is null, anything else is reported. */
  numberOrNull(file: string, record: FileRecord, column: string): number | null {
    const written = record.get(column)
    if (written === '') return null
    const value = Number(written.replace(',', '.'))
    if (Number.isFinite(value) && value >= 0) return value
    this.report(file, record.row, column, `“${written}” is no number of 0 or more.`)
    return null
  }

  /** What holds in some grades, as in "1-3: 200; 4: 250"; undefined for nothing, or after reporting. */
  byGrade<T>(
    file: string,
    record: FileRecord,
    column: string,
    valueOf: (text: string) => T | undefined,
  ): ByGrade<T> | undefined {
    const written = record.get(column)
    if (written === '') return undefined
    const rules = readByGrade(written, valueOf)
    if (!rules) this.report(file, record.row, column, `“${written}” is not as in “1-3: …; 4: …”.`)
    return rules
  }

  /** Reports what a thing's fields may not hold, as the one definition of them says, where nothing else was wrong. */
  fits(file: string, row: number | null, value: unknown, fields: z.ZodType): void {
    if (this.wrongRows.has(`${file} ${row}`)) return
    for (const { path, message } of fields.safeParse(value).error?.issues ?? [])
      this.report(file, row, spaced(String(path[0] ?? '')), message)
  }

  /** Keeps the first row of each key and reports the others, and what does not fit the fields. */
  unique<T>(
    file: string,
    column: string,
    rows: readonly { row: number; key: string; value: T }[],
    fields?: z.ZodType,
  ): T[] {
    const seen = new Map<string, number>()
    return rows.flatMap(({ row, key, value }) => {
      if (fields) this.fits(file, row, value, fields)
      const before = seen.get(key)
      if (before !== undefined) {
        this.report(file, row, column, `“${key}” stands in row ${before} already.`)
        return []
      }
      seen.set(key, row)
      return [value]
    })
  }
}

/** @example spaced('familyWords') // 'family words', as the column is headed */
function spaced(field: string): string {
  return field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
}
