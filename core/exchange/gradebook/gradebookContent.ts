import type { ResultState } from '../../marks/work'
import type { RowIdentity } from '../../people/matchStudent'
import { mostIn } from './pointsWords'
import { readScore } from './readScore'
import { readWorkHeading } from './readWorkHeading'

/** A piece of work as the file tells of it. */
export interface FileWork {
  title: string
  category: string
  date: string | null
  outOf: number
  weight: number
  /** False where it only informs. */
  counts: boolean
}

export interface FileResult {
  row: number
  column: string
  who: RowIdentity
  title: string
  state: ResultState
  score: number | null
  remark: string
}

/** A cell or row that was not taken, and why. */
export interface Refusal {
  row: number
  column: string
  value: string
  reason: string
}

export interface GradebookContent {
  work: FileWork[]
  results: FileResult[]
  refused: Refusal[]
  /** Cells that say something of a result in no words known here, and in no figures. */
  signs: string[]
}

/** The work that the class has already, by the title that a file gives it. What the file does not say, stays. */
export type StandingWork = (title: string) => Omit<FileWork, 'title'> | undefined

/** What there is before the first row is read. */
export function nothingRead(): GradebookContent {
  return { work: [], results: [], refused: [], signs: [] }
}

/**
 * A piece of work as it is called, parted from its maximum and its day; of work that the class has under the whole of
 * what is written, nothing is parted.
 * @example calledWork('Atlas test (30)', () => undefined) // { title: 'Atlas test', outOf: 30, date: null }
 */
export function calledWork(written: string, standing: StandingWork): ReturnType<typeof readWorkHeading> {
  const read = readWorkHeading(written)
  return read.outOf !== null && standing(written) !== undefined ? { ...read, title: written, outOf: null } : read
}

/** The maximum that a column's own cells give, as in "17/20", where they agree; null where they give none. */
export function maximumInCells(cells: readonly string[]): number | null {
  const given = cells.flatMap((cell) => {
    const read = readScore(cell, null)
    return read.kind === 'result' && read.outOf !== null && !cell.includes('%') ? [read.outOf] : []
  })
  const [first] = given
  return first !== undefined && first > 0 && given.every((each) => each === first) ? first : null
}

/** @example countsIn('no') // false; countsIn('') // null: the file does not say */
export function countsIn(written: string): boolean | null {
  return written === '' ? null : !/^(no|n|false|0|nein|non|nee|nej|nei)$/i.test(written)
}

/** Why work out of 0 is not taken. */
export const outOfNothing =
  'Work out of 0 has no share of a mark: what is given on top is not counted here. Give it a maximum, or leave it out.'

/** @example isOutOfNothing('(0)') // true */
export function isOutOfNothing(written: string): boolean {
  return mostIn(written.replace(/\s*%$/, '')) === 0
}

/** A maximum, or a weight in per cent. */
export function positive(written: string): number | null {
  const value = mostIn(written.replace(/\s*%$/, ''))
  return value !== null && value > 0 ? value : null
}
