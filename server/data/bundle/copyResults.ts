import type { Knex } from 'knex'
import { cellsOf } from '../../../core/exchange/files/rowStream'
import { resultsReader, type NamesHere, type ResultHere } from '../../../core/exchange/oneroster/readResults'
import { Refusal } from '../../access/refusal'
import { asCopied, copyChunk, endCopy, openCopy } from './copyRows'
import type { HeldFile } from './heldFile'
import { eachRowOfHeld } from './eachRowOfHeld'

/** How many results went on to the database, and how many did not, by why. */
export interface Copied {
  readonly ofNewWork: number
  readonly ofStandingWork: number
  readonly leftOut: ReadonlyMap<string, number>
}

/** Where results go: among the school's, or into a table of the transaction's own, with whether their work stood. */
export type Into = 'result' | 'brought_result'

/**
 * Reads the results of a bundle, finds what each means here, and hands them on to the database as they are read.
 * @throws Refusal when the file cannot be read; whatever the database says of the rows
 */
export async function copyResults(
  trx: Knex.Transaction,
  held: HeldFile,
  { names, into }: { names: NamesHere; into: Into },
): Promise<Copied> {
  const more = into === 'brought_result' ? ', stands' : ''
  const stream = await openCopy(trx, `copy ${into} (work_id, student_id, state, score, remark${more}) from stdin`)
  const leftOut = new Map<string, number>()
  let read: ReturnType<typeof resultsReader> | null = null
  let [ofNewWork, ofStandingWork] = [0, 0]
  let lines: string[] = []
  const take = (result: ResultHere | string | null): void => {
    if (result === null) return
    if (typeof result === 'string') return void leftOut.set(result, (leftOut.get(result) ?? 0) + 1)
    lines.push(more ? `${lineOf(result)}\t${result.work.stands}` : lineOf(result))
    if (result.work.stands) ofStandingWork += 1
    else ofNewWork += 1
  }
  try {
    await eachRowOfHeld(held, 'results', {
      row: (row) => {
        if (read) take(read(row))
        else read = resultsReader(headOf(cellsOf(row)), names)
      },
      between: async () => {
        if (lines.length > 0) await copyChunk(stream, Buffer.from(`${lines.join('\n')}\n`))
        lines = []
      },
    })
  } catch (error) {
    await abandoned(stream, error)
    throw error
  }
  await endCopy(stream)
  return { ofNewWork, ofStandingWork, leftOut }
}

function headOf(cells: readonly string[]): readonly string[] {
  if (!cells.some((cell) => cell.trim().toLowerCase() === 'sourcedid'))
    throw new Refusal('invalid', 'results.csv has no column sourcedId: its rows cannot be told apart.')
  return cells
}

function lineOf({ work, studentId, state, score, remark }: ResultHere): string {
  return `${work.workId}\t${studentId}\t${state}\t${score ?? '\\N'}\t${remark && asCopied(remark)}`
}

/** The connection is free again only when the copying has ended, as it does for what went wrong. */
async function abandoned(stream: Awaited<ReturnType<typeof openCopy>>, error: unknown): Promise<void> {
  const ended = new Promise<void>((resolve) => stream.once('error', () => resolve()).once('close', () => resolve()))
  stream.destroy(error instanceof Error ? error : new Error('The results could not be read.'))
  await ended
}
