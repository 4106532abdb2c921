import { nameKey } from '../../people/names'
import {
  calledWork,
  countsIn,
  isOutOfNothing,
  maximumInCells,
  nothingRead,
  outOfNothing,
  positive,
  type FileWork,
  type GradebookContent,
  type StandingWork,
} from './gradebookContent'
import type { ColumnRole, GradebookMapping } from './gradebookMapping'
import { readDate } from '../files/readDate'
import { readScore } from './readScore'
import type { TableRow } from '../files/readTable'
import { identityOf } from './rowIdentity'
import { takeScore } from './takeScore'

/** Reads a table with a row for each result. */
export function readLong(
  heading: TableRow,
  rows: TableRow[],
  mapping: GradebookMapping,
  standing: StandingWork,
): GradebookContent {
  const content = nothingRead()
  const byTitle = new Map<string, FileWork>()
  for (const row of rows) {
    const cell = (role: ColumnRole): string => row.cells[mapping.columns.indexOf(role)] ?? ''
    const nameOf = (role: ColumnRole): string => heading.cells[mapping.columns.indexOf(role)] ?? role
    const refuse = (role: ColumnRole, reason: string): void => {
      content.refused.push({ row: row.number, column: nameOf(role), value: cell(role), reason })
    }
    const written = cell('work')
    if (written === '') {
      refuse('work', 'The row names no piece of work.')
      continue
    }
    const told = byTitle.get(nameKey(written)) ?? longWork(cell, mapping, standing, refuse)
    // "Atlas test" and "Atlas test (30)" are one.
    const piece = byTitle.get(nameKey(told.title)) ?? told
    if (piece.outOf === 0) {
      refuse('out of', outOfNothing)
      continue
    }
    if (piece === told && !byTitle.has(nameKey(told.title))) content.work.push(piece)
    byTitle.set(nameKey(written), piece).set(nameKey(piece.title), piece)
    takeScore(content, mapping.signs, {
      row: row.number,
      column: nameOf('score'),
      cell: withState(cell('state'), cell('score')),
      who: identityOf(row, mapping.columns),
      piece,
      remark: cell('remark'),
    })
  }
  return content
}

function longWork(
  cell: (role: ColumnRole) => string,
  mapping: GradebookMapping,
  standing: StandingWork,
  refuse: (role: ColumnRole, reason: string) => void,
): FileWork {
  // "Atlas test (30)" tells its maximum, where no column does.
  const own = cell('out of') === '' ? calledWork(cell('work'), standing) : { title: cell('work'), outOf: null }
  const known = standing(own.title)
  const date = cell('date') === '' ? null : readDate(cell('date'), mapping.dates)
  if (date === undefined) refuse('date', 'This is no date; the work comes in without one.')
  const outOf = positive(cell('out of'))
  const isNothing = isOutOfNothing(cell('out of'))
  if (cell('out of') !== '' && outOf === null && !isNothing)
    refuse('out of', 'The maximum is no number; the usual one is used.')
  return {
    title: own.title,
    category: cell('category') || known?.category || mapping.category,
    date: date ?? known?.date ?? null,
    outOf: isNothing ? 0 : (outOf ?? own.outOf ?? maximumInCells([cell('score')]) ?? known?.outOf ?? mapping.outOf),
    weight: positive(cell('weight')) ?? known?.weight ?? 1,
    counts: countsIn(cell('counts')) ?? known?.counts ?? true,
  }
}

/**
 * What a row says of its result in two columns, as it would be typed in one. A state that is none of a result's
 * (graded, published) says nothing.
 * @example withState('late', '13') // 'late 13'
 */
function withState(state: string, score: string): string {
  const read = readScore(state, null)
  if (read.kind !== 'result' || read.state === 'scored') return score
  return read.state === 'late' ? `late ${score}` : read.state
}
