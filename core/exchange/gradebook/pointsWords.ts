/** What stands behind a number of points, as a part of a pattern: here, and as next door writes it. */
export const pointsWords =
  '(?:points?|marks?|mks?|pts?|p|punkte?|pkte?|puntos|punti|punten|poeng|poäng|questions?|items?|fragen|aufgaben)\\.?'

/** "out of", "max.", "maximum points", as a part of a pattern: what says by itself that figures are the most. */
export const surelyMost = '(?:out[\\s_]of|max(?:imum|imal)?\\.?(?:[\\s_](?:points?|marks?|score))?)'

/** What stands before the most that can be scored where the place says that it is one, as a part of a pattern. */
export const mostWords = `(?:${surelyMost}|total|possible|worth|von|sur|su|de|van|av|af|x?/)`

/** @example withoutBrackets('(20)') // '20' */
export function withoutBrackets(cell: string): string {
  return /^[([]\s*(.*?)\s*[)\]]$/.exec(cell)?.[1] ?? cell
}

const anyMost = new RegExp(`^(?:${mostWords}[\\s:]*)?(\\d+(?:[.,]\\d+)?)\\s*(?:${pointsWords})?$`, 'i')

/**
 * The number that a cell gives as the most that can be scored; null where it is none.
 * @example mostIn('(20)') // 20; the same for '/20', 'max. 20' and '20 pts'
 */
export function mostIn(cell: string): number | null {
  const written = anyMost.exec(withoutBrackets(cell.trim()))?.[1]
  return written === undefined ? null : Number(written.replace(',', '.'))
}
