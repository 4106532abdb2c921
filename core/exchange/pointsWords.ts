/** What stands behind a number of points, as a part of a pattern: here, and as next door writes it. */
export const pointsWords = '(?:points?|pts?|p|punkte?|pkte?|puntos|punti|punten|poeng|poäng)\\.?'

/** @example withoutBrackets('(20)') // '20' */
export function withoutBrackets(cell: string): string {
  return /^[([]\s*(.*?)\s*[)\]]$/.exec(cell)?.[1] ?? cell
}
