import { UnreadableFile } from '../../../core/exchange/problem'
import { RowsAsTheyCome } from '../../../core/exchange/rowsAsTheyCome'
import { Refusal } from '../../access/refusal'
import type { HeldFile } from './heldFile'

/**
 * The rows of a file that waits, some hundred at a time, each with as many cells as there are headings. The first is
 * the row of headings.
 * @throws Refusal when the file cannot be read, saying from where on
 */
export async function* rowsOfHeld(held: HeldFile, name: string): AsyncGenerator<string[][]> {
  const text = new TextDecoder('utf-8', { fatal: true })
  const rows = new RowsAsTheyCome()
  let [read, cells] = [0, 0]
  const whole = (bunch: string[][]): string[][] => {
    for (const row of bunch) {
      cells ||= row.length
      read += 1
      if (row.length !== cells) throw unreadable(name, read)
    }
    return bunch
  }
  try {
    for await (const piece of held.pieces()) yield whole(rows.push(text.decode(piece, { stream: true })))
    yield whole(rows.push(text.decode()))
    yield whole(rows.end())
  } catch (error) {
    if (error instanceof UnreadableFile || error instanceof TypeError) throw unreadable(name, read + 1)
    throw error
  }
}

function unreadable(name: string, row: number): Refusal {
  return new Refusal(
    'invalid',
    `${name}.csv cannot be read, from row ${row} on: a row has more or fewer cells than there are headings, a ` +
      'quotation mark is never closed, or the file is not UTF-8. Nothing was taken in.',
  )
}
