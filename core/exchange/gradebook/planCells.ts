import Papa from 'papaparse'
import { readScore } from './readScore'
import type { GivenResult } from '../../marks/resultProblem'
import type { PieceOfWork } from '../../marks/work'

/** A cell of results as it shall be; null empties it. */
export interface GivenCell {
  readonly workId: string
  readonly studentId: string
  readonly result: (GivenResult & { readonly remark: string }) | null
}

/** Where a block of cells is put: students from this one down, work from this one on. */
export interface CellPlace {
  readonly row: number
  readonly column: number
}

/** What a grid of results shows, in its order, and what stands in it. */
export interface ResultCells {
  readonly students: readonly { readonly id: string; readonly usedName: string }[]
  readonly work: readonly PieceOfWork[]
  readonly remarkAt: (workId: string, studentId: string) => string
}

/**
 * A block as spreadsheet programs copy it: tabs between cells, line ends between rows, the last of which ends nothing.
 * @example readBlock('17\tm\n12\t9\n') // [['17', 'm'], ['12', '9']]
 */
export function readBlock(text: string): string[][] {
  const plain = text.replace(/(\r\n|\r|\n)$/, '')
  return Papa.parse<string[]>(plain, { delimiter: '\t' }).data.map((row) => row.map((cell) => cell.trim()))
}

/**
 * What a block of written results would put where: whole, or with everything that is wrong and nothing to put. A remark
 * stays where it is.
 * @example planCells([['17', 'm']], { row: 0, column: 0 }, grid).cells.length // 2
 */
export function planCells(
  block: readonly (readonly string[])[],
  at: CellPlace,
  { students, work, remarkAt }: ResultCells,
): { cells: GivenCell[]; problems: string[] } {
  const width = block.reduce((most, row) => Math.max(most, row.length), 0)
  const over = [
    ...overEdge(block.length, students.length - at.row, ['row', 'student', 'down']),
    ...overEdge(width, work.length - at.column, ['column', 'piece of work', 'on']),
  ]
  if (over.length > 0) return { cells: [], problems: over }
  const problems: string[] = []
  const cells = block.flatMap((row, down) =>
    row.flatMap((written, across): GivenCell[] => {
      const student = students[at.row + down]
      const piece = work[at.column + across]
      if (!student || !piece) return []
      const place = { workId: piece.id, studentId: student.id }
      const read = readScore(written, piece.outOf)
      if (read.kind === 'refused') problems.push(`${student.usedName}, ${piece.title}: ${read.reason}`)
      if (read.kind !== 'result') return [{ ...place, result: null }]
      const { state, score } = read
      return [{ ...place, result: { state, score, remark: remarkAt(piece.id, student.id) } }]
    }),
  )
  return problems.length > 0 ? { cells: [], problems } : { cells, problems }
}

function overEdge(has: number, room: number, [one, of, where]: readonly [string, string, string]): string[] {
  if (has <= room) return []
  const rooms = `${room} ${of}${room === 1 ? '' : 's'}`.replace('piece of works', 'pieces of work')
  return [`${has} ${one}s are more than the ${rooms} from here ${where}. Nothing was put in.`]
}
