import { UnreadableFile } from '../../../core/exchange/files/problem'
import { RowStream, type StreamedRow } from '../../../core/exchange/files/rowStream'
import { Refusal } from '../../access/refusal'
import type { HeldFile } from './heldFile'

/**
 * Gives the rows of a file that waits, one by one, each with as many cells as there are headings; the first is the row
 * of headings. After some hundred rows it waits until `between` is done.
 * @throws Refusal when the file cannot be read, saying from where on
 */
export async function eachRowOfHeld(
  held: HeldFile,
  name: string,
  { row: take, between }: { row: (row: StreamedRow) => void; between: () => Promise<void> },
): Promise<void> {
  const text = new TextDecoder('utf-8', { fatal: true })
  const rows = new RowStream()
  let [read, width] = [0, 0]
  const hand = async (bunch: Iterable<StreamedRow>): Promise<void> => {
    for (const row of bunch) {
      width ||= row.width
      read += 1
      if (row.width !== width) throw unreadable(name, read)
      take(row)
    }
    await between()
  }
  try {
    for await (const piece of held.pieces()) await hand(rows.push(text.decode(piece, { stream: true })))
    await hand(rows.push(text.decode()))
    await hand(rows.end())
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
