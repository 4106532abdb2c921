import type { RowIdentity } from '../../people/matchStudent'
import type { FileWork, GradebookContent } from './gradebookContent'
import type { GradebookMapping } from './gradebookMapping'
import { readScore } from './readScore'

/** Reads one cell of results into what a file holds: a result, a refusal with its reason, or nothing. */
export function takeScore(
  content: GradebookContent,
  signs: GradebookMapping['signs'],
  at: { row: number; column: string; cell: string; who: RowIdentity; piece: FileWork; remark: string },
): void {
  const read = readScore(withMeaning(at.cell, signs), at.piece.outOf)
  if (read.kind === 'empty') return
  if (read.kind === 'refused') {
    content.refused.push({ row: at.row, column: at.column, value: at.cell, reason: read.reason })
    const { sign } = partedSign(at.cell)
    if (sign !== '') content.signs.push(sign)
    return
  }
  content.results.push({
    row: at.row,
    column: at.column,
    who: at.who,
    title: at.piece.title,
    state: read.state,
    score: read.score,
    remark: at.remark,
  })
}

/** A cell with its sign in a word: for 'L', which the teacher says is late, "L 17" is "late 17". */
function withMeaning(cell: string, signs: GradebookMapping['signs']): string {
  const { sign, figures } = partedSign(cell)
  if (!Object.hasOwn(signs, signKey(sign))) return cell
  const meaning = signs[signKey(sign)]
  return meaning === 'nothing' ? figures : `${meaning} ${figures}`.trim()
}

/**
 * What stands in a cell beside one score, or alone.
 * @example partedSign('17*') // { sign: '*', figures: '17' }
 */
function partedSign(cell: string): { sign: string; figures: string } {
  const number = '\\d+(?:[.,]\\d+)?'
  // Below zero is no sign.
  if (/^-\s*\d/.test(cell)) return { sign: '', figures: cell }
  const parts = new RegExp(`^(\\D*?)(?:(${number}(?:\\s*/\\s*${number})?(?:\\s*%)?)(\\D*))?$`).exec(cell.trim())
  if (!parts) return { sign: '', figures: cell }
  const [, before = '', figures = '', behind = ''] = parts
  return { sign: `${before.trim()}${behind.trim()}`, figures }
}

/** A sign as its meaning is kept under. */
export function signKey(written: string): string {
  return written.trim().toLocaleLowerCase('en')
}
