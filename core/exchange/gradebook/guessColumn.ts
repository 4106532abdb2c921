import { identifying, type ColumnRole } from './gradebookMapping'
import { roleByHeading } from './gradebookWords'
import { areCounted, numberIn } from './plainCells'
import { readScore, unitOf, withoutUnit } from './readScore'
import type { TableRow } from '../files/readTable'
import { readWorkHeading } from './readWorkHeading'

/** What work is out of where nothing tells it. */
export const usualMost = 100

interface ColumnsOf {
  readonly heading: TableRow
  readonly students: readonly TableRow[]
  readonly long: boolean
  readonly delimiter: string
  /** Whether a row tells what there was to reach. */
  readonly maximaTold: boolean
}

/** "41,200" where commas part the cells, so that decimals have points: no score, but so many of something. */
function isInThousands(cell: string, delimiter: string): boolean {
  return delimiter === ',' && /^\d{1,3}(,\d{3})+$/.test(cell)
}

/**
 * Guesses what a column holds, from its heading and from what stands in it.
 * @param named what its heading says, where that is known
 * @example guessColumn(2, null, { heading: of 'Name,Number,Quiz', students, … }) // 'score', where half are scores
 */
export function guessColumn(index: number, named: ColumnRole | null, beside: ColumnsOf): ColumnRole {
  const { heading, students, long, delimiter } = beside
  if (long) return named ?? 'ignore'
  if (named !== null && (named === 'ignore' || identifying.has(named))) return named
  // Of the children, not of the work; the most that could be scored may stand beside each score.
  if (named !== null && ['category', 'weight', 'counts'].includes(named)) return 'ignore'
  if (named === 'out of' || isMostBeside(index, heading)) return 'out of'
  const title = heading.cells[index] ?? ''
  const values = students.map((row) => row.cells[index] ?? '').filter((cell) => cell !== '')
  if (title === '' || areCounted(values) || isNoWork(title, values, named)) return 'ignore'
  if (!beside.maximaTold && areCounts(title, values)) return 'ignore'
  const unit = unitOf(values)
  const scores = values.filter(
    (cell) => !isInThousands(cell, delimiter) && readScore(withoutUnit(cell, unit), null).kind === 'result',
  )
  return values.length > 0 && scores.length >= values.length / 2 ? 'score' : 'ignore'
}

/** "Effort (1-5)", a "Grade" that everybody is in, and remarks without a figure ("Note" is a grade next door). */
function isNoWork(title: string, values: readonly string[], named: ColumnRole | null): boolean {
  if (/\(\d\s*[-–]\s*\d+\)$/.test(title)) return true
  if (/^grade$/i.test(title) && values.length > 2 && new Set(values).size === 1) return true
  return named === 'remark' && !values.some((cell) => /\d/.test(cell))
}

/**
 * What is mostly above the usual maximum, with none told, is so many of something: pages, minutes, a scaled score.
 * @example areCounts('Pages read', ['210', '150', '60']) // true
 */
export function areCounts(title: string, values: readonly string[]): boolean {
  const above = values.filter((value) => (numberIn(value) ?? 0) > usualMost)
  return readWorkHeading(title).outOf === null && above.length > values.length / 2
}

/** "Poster max" behind "Poster points". */
function isMostBeside(index: number, heading: TableRow): boolean {
  const [, work = '', last = ''] = /^(.*\S)[\s:–-]+(\S+)$/.exec(heading.cells[index] ?? '') ?? []
  return work !== '' && (heading.cells[index - 1] ?? '').startsWith(work) && roleByHeading(last) === 'out of'
}
