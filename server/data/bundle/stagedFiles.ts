import type { Knex } from 'knex'
import type { CopyStreamQuery } from 'pg-copy-streams'
import { decodeText } from '../../../core/exchange/files/decodeText'
import { headingsOf, type BundleFile } from '../../../core/exchange/oneroster/tables'
import { readTable } from '../../../core/exchange/files/readTable'
import { Refusal } from '../../access/refusal'
import { copyChunk, endCopy, openCopy } from './copyRows'

/** What the standard has no heading for, as Facunda writes it. */
const ownHeadings = ['metadata.facunda.weight', 'metadata.facunda.counts', 'metadata.facunda.dated']
/** A row of headings is no longer. */
const longestHead = 20_000

/** The columns of a staged file that are looked at, in small letters. */
export function columnsOf(file: BundleFile): string[] {
  const own = file === 'users' ? ['role'] : file === 'lineItems' ? ownHeadings : []
  return [...headingsOf(file), ...own].map((heading) => heading.toLowerCase())
}

/** @example stagedTable('lineItems') // 'staged_lineitems' */
export function stagedTable(file: BundleFile): string {
  return `staged_${file.toLowerCase()}`
}

/**
 * One file of a bundle on its way into a table of the transaction's own: the bytes go to the database as they come, and
 * nothing but the row of headings is read here.
 */
export class StagedFile {
  private head = Buffer.alloc(0)
  private stream: CopyStreamQuery | null = null

  constructor(
    private readonly trx: Knex.Transaction,
    private readonly file: BundleFile,
  ) {}

  /** @throws Refusal when the file cannot be read */
  async write(chunk: Uint8Array): Promise<void> {
    if (this.stream === null) return this.readHead(chunk)
    await copyChunk(this.stream, chunk).catch((error: unknown) => refuseUnreadable(this.file, error))
  }

  /** @throws Refusal when the file cannot be read */
  async end(): Promise<void> {
    if (this.stream === null && this.head.length > 0) await this.readHead(Buffer.from('\n'))
    if (this.stream === null) throw new Refusal('invalid', `${this.file}.csv is empty.`)
    await endCopy(this.stream).catch((error: unknown) => refuseUnreadable(this.file, error))
  }

  private async readHead(chunk: Uint8Array): Promise<void> {
    this.head = Buffer.concat([this.head, chunk])
    const text = this.head.toString('latin1')
    const end = /[\r\n]/.exec(text)?.index ?? -1
    if (end < 0) {
      if (this.head.length > longestHead) throw new Refusal('invalid', `${this.file}.csv has no row of headings.`)
      return
    }
    const columns = this.columnsIn(decodeText(new Uint8Array(this.head.subarray(0, end))))
    const body = this.head.subarray(text.startsWith('\r\n', end) ? end + 2 : end + 1)
    await this.makeTable(columns)
    const names = columns.map((column) => `"${column}"`).join(', ')
    this.stream = await openCopy(
      this.trx,
      `copy ${stagedTable(this.file)} (${names}) from stdin with (format csv, null '')`,
    )
    if (body.length > 0) await this.write(body)
  }

  /** Known columns by their names, the others by their places. */
  private columnsIn(head: string): string[] {
    const known = new Set(columnsOf(this.file))
    const cells = (readTable(head).rows[0]?.cells ?? []).map((cell) => cell.toLowerCase())
    if (!cells.includes('sourcedid'))
      throw new Refusal('invalid', `${this.file}.csv has no column sourcedId: its rows cannot be told apart.`)
    return cells.map((cell, at) => (known.has(cell) && cells.indexOf(cell) === at ? cell : `other_${at}`))
  }

  private async makeTable(columns: readonly string[]): Promise<void> {
    const all = [...new Set([...columns, ...columnsOf(this.file)])].map((column) => `"${column}" text`)
    await this.trx.raw(`create temp table ${stagedTable(this.file)} (${all.join(', ')}) on commit drop`)
  }
}

/** What the database says of a file that is no table, in words for whoever brought it. */
function refuseUnreadable(file: string, error: unknown): never {
  const { code, where } = { code: '', where: '', ...(error instanceof Error ? (error as object) : {}) }
  const line = /line (\d+)/.exec(where)?.[1]
  if (code.startsWith('22'))
    throw new Refusal(
      'invalid',
      `${file}.csv cannot be read${line ? `, from line ${Number(line) + 1} on` : ''}: a row has more or fewer cells ` +
        'than there are headings, a quotation mark is never closed, or the file is not UTF-8. Nothing was taken in.',
    )
  throw error
}
