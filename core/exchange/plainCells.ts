import { readScore } from './readScore'

/**
 * The number that a cell is, and nothing else; null where it is none.
 * @example numberIn('17,5') // 17.5
 */
export function numberIn(cell: string): number | null {
  const value = Number(cell.replace(',', '.'))
  return cell === '' || Number.isNaN(value) ? null : value
}

/**
 * Whether a cell can be the title of a piece of work: words that are no score.
 * @example isTitle('River quiz') // true
 */
export function isTitle(cell: string): boolean {
  return /\p{L}/u.test(cell) && readScore(cell, null).kind === 'refused'
}

/**
 * Whether cells number something: 1, 2, 3 …
 * @example areCounted(['1.', '2.', '3.']) // true
 */
export function areCounted(values: readonly string[]): boolean {
  return values.length > 2 && values.every((value, at) => value.replace(/\.$/, '') === String(at + 1))
}
