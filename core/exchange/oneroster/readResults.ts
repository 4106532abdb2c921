import type { ResultState } from '../../marks/work'
import type { StreamedRow } from '../files/rowStream'
import { resultSaid } from './resultOfRow'
import { inPoints, type ScoreScale } from './scoreScales'

/** A piece of work that a bundle names, as it is known here. */
export interface NamedWork {
  readonly workId: string
  readonly classId: string
  readonly outOf: number
  /** It was here before the bundle came. */
  readonly stands: boolean
  readonly scale?: ScoreScale
}

/** What a bundle's own names mean here. */
export interface NamesHere {
  readonly work: ReadonlyMap<string, NamedWork>
  readonly children: ReadonlyMap<string, string>
  /** The children of each class. */
  readonly places: ReadonlyMap<string, ReadonlySet<string>>
}

export interface ResultHere {
  readonly work: NamedWork
  readonly studentId: string
  readonly state: ResultState
  readonly score: number | null
  readonly remark: string
}

const columns = [
  ...['status', 'lineItemSourcedId', 'studentSourcedId', 'scoreStatus', 'score', 'textScore'],
  ...['comment', 'incomplete', 'late', 'missing'],
] as const
const longestRemark = 2000

/**
 * A reader of a bundle's results, row by row: what each means here, in words why it has no place, or null for one that
 * is to be deleted.
 * @param head the cells of the file's first row
 */
export function resultsReader(
  head: readonly string[],
  names: NamesHere,
): (row: StreamedRow) => ResultHere | string | null {
  const small = head.map((cell) => cell.trim().toLowerCase())
  const [status, item, student, scoreStatus, score, textScore, comment, incomplete, late, missing] = columns.map(
    (column) => small.indexOf(column.toLowerCase()),
  )
  return (row) => {
    if (isGone(cellOf(row, status))) return null
    const work = names.work.get(cellOf(row, item))
    if (!work) return 'of work that is not taken in'
    const studentId = names.children.get(cellOf(row, student))
    if (studentId === undefined) return 'of somebody who is no child of this bundle'
    if (!names.places.get(work.classId)?.has(studentId)) return 'of children who are not in the class'
    const said = resultSaid({
      scoreStatus: cellOf(row, scoreStatus),
      score: cellOf(row, score),
      textScore: cellOf(row, textScore),
      incomplete: cellOf(row, incomplete),
      late: cellOf(row, late),
      missing: cellOf(row, missing),
    })
    if (said === null) return 'without a score'
    const reached =
      said.written === '' ? null : numberIn(work.scale ? inPoints(said.written, work.scale, work.outOf) : said.written)
    if (reached === undefined) return 'whose score is no number'
    if (reached !== null && reached > work.outOf) return 'above what the work is out of'
    return { work, studentId, state: said.state, score: reached, remark: remarkIn(cellOf(row, comment)) }
  }
}

function cellOf(row: StreamedRow, at = -1): string {
  return row.cell(at).trim()
}

function isGone(status: string): boolean {
  return status !== '' && /^(tobedeleted|inactive)$/i.test(status)
}

function remarkIn(comment: string): string {
  return comment === '' ? '' : comment.replace(/\s+/g, ' ').slice(0, longestRemark)
}

function numberIn(written: string): number | undefined {
  return /^[0-9]{1,9}(?:[.,][0-9]{1,12})?$/.test(written) ? Number(written.replace(',', '.')) : undefined
}
