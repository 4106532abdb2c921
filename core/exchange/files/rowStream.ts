import Papa from 'papaparse'
import { UnreadableFile } from './problem'

/** A row that has just come. Its cells are read before the next row is asked for. */
export interface StreamedRow {
  readonly width: number
  /** As it is written; empty where the row has no such cell. */
  cell(at: number): string
}

/**
 * Rows of separated values (RFC 4180, commas) out of text that comes in pieces, for files too large to be held. Where
 * nothing is in quotes a row is cut at its commas alone, and of its cells only those that somebody asks for; a piece
 * that holds a quotation mark is read by the parser.
 */
export class RowStream {
  private rest = ''

  /** The rows that are whole by now. Empty lines are none. */
  push(text: string): Iterable<StreamedRow> {
    const all = this.rest + text
    const end = lastRowEnd(all)
    this.rest = all.slice(end)
    return rowsOf(all.slice(0, end))
  }

  /** @throws UnreadableFile when a quotation mark is never closed */
  end(): Iterable<StreamedRow> {
    const last = this.rest
    this.rest = ''
    return rowsOf(last)
  }
}

/** All cells of a row. */
export function cellsOf(row: StreamedRow): string[] {
  return Array.from({ length: row.width }, (_, at) => row.cell(at))
}

/** Where the last row ends that is sure to be whole: behind a line end outside of quotes. */
function lastRowEnd(text: string): number {
  if (!text.includes('"')) return text.lastIndexOf('\n') + 1
  let [end, quoted] = [0, false]
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at)
    if (code === quote) quoted = !quoted
    else if (code === newLine && !quoted) end = at + 1
  }
  return end
}

const [quote, newLine, carriageReturn] = [34, 10, 13]

function rowsOf(text: string): Iterable<StreamedRow> {
  return text.includes('"') ? parsed(text) : cutAtCommas(text)
}

/** One row after another: a million rows are not to become fifteen million texts. */
function* cutAtCommas(text: string): Generator<StreamedRow> {
  const row = new CutRow(text)
  for (let at = 0; at < text.length;) {
    const found = text.indexOf('\n', at)
    const lineEnd = found < 0 ? text.length : found
    const end = lineEnd > at && text.charCodeAt(lineEnd - 1) === carriageReturn ? lineEnd - 1 : lineEnd
    if (end > at) yield row.cut(at, end)
    at = lineEnd + 1
  }
}

class CutRow implements StreamedRow {
  width = 0
  private start = 0
  private readonly ends: number[] = []
  /** The next comma of the text, which may stand rows ahead: each is looked for once. */
  private comma = -1

  constructor(private readonly text: string) {}

  cut(start: number, end: number): this {
    ;[this.start, this.width] = [start, 0]
    if (this.comma < start) this.comma = this.commaFrom(start)
    for (; this.comma < end; this.comma = this.commaFrom(this.comma + 1)) this.ends[this.width++] = this.comma
    this.ends[this.width++] = end
    return this
  }

  private commaFrom(at: number): number {
    const found = this.text.indexOf(',', at)
    return found < 0 ? Infinity : found
  }

  cell(at: number): string {
    if (at < 0 || at >= this.width) return ''
    const from = at === 0 ? this.start : (this.ends[at - 1] ?? 0) + 1
    const end = this.ends[at] ?? from
    return from === end ? '' : this.text.slice(from, end)
  }
}

function parsed(text: string): StreamedRow[] {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter: ',', skipEmptyLines: true })
  if (errors.some(({ type }) => type === 'Quotes'))
    throw new UnreadableFile('A quotation mark is never closed, or text follows one that is.')
  return data.map((cells) => ({ width: cells.length, cell: (at) => cells[at] ?? '' }))
}
