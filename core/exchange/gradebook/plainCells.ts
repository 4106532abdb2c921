import { readScore } from './readScore'

/**
 * The number that a cell is, in per cent or not, and nothing else; null where it is none.
 * @example numberIn('17,5') // 17.5
 */
export function numberIn(cell: string): number | null {
  const written = /^\s*(-?\d+(?:[.,]\d+)?)\s*%?\s*$/.exec(cell)?.[1]
  return written === undefined ? null : Number(written.replace(',', '.'))
}

/**
 * What is before the last word of a title; nothing where it has only one.
 * @example withoutLastWord('Part C') // 'Part'
 */
export function withoutLastWord(title: string): string {
  return title.slice(0, Math.max(0, title.lastIndexOf(' '))).trim()
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
