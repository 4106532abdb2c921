import Papa from 'papaparse'
import { UnreadableFile } from './problem'

/**
 * Rows of separated values (RFC 4180, commas) out of text that comes in pieces, for files too large to be held. Where
 * nothing is in quotes a row is cut at its commas alone; a piece that holds a quotation mark is read by the parser.
 */
export class RowsAsTheyCome {
  private rest = ''

  /** The rows that are whole by now. Empty lines are none. */
  push(text: string): string[][] {
    const all = this.rest + text
    const end = lastRowEnd(all)
    this.rest = all.slice(end)
    return rowsOf(all.slice(0, end))
  }

  /** @throws UnreadableFile when a quotation mark is never closed */
  end(): string[][] {
    const last = this.rest
    this.rest = ''
    return rowsOf(last)
  }
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

const [quote, newLine] = [34, 10]

function rowsOf(text: string): string[][] {
  if (text.includes('"')) return parsed(text)
  const rows: string[][] = []
  for (const line of text.split('\n')) {
    const bare = line.endsWith('\r') ? line.slice(0, -1) : line
    if (bare !== '') rows.push(bare.split(','))
  }
  return rows
}

function parsed(text: string): string[][] {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter: ',', skipEmptyLines: true })
  if (errors.some(({ type }) => type === 'Quotes'))
    throw new UnreadableFile('A quotation mark is never closed, or text follows one that is.')
  return data
}
