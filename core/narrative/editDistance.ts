import { distance } from 'fastest-levenshtein'

/**
 * How many words must be put in, taken out or exchanged to make one text of the other: Levenshtein's distance over
 * words, each word standing for one sign.
 * @param atMost beyond this it is only known to be more, and `atMost + 1` is given; keeps two unlike texts cheap
 * @example editDistance(['she', 'adds', 'well'], ['she', 'adds', 'very', 'well'], 5) // 1
 */
export function editDistance(a: readonly string[], b: readonly string[], atMost: number): number {
  if (Math.abs(a.length - b.length) > atMost) return atMost + 1
  const signs = new Map<string, string>()
  const written = (words: readonly string[]): string => words.map((word) => signOf(word, signs)).join('')
  return Math.min(atMost + 1, distance(written(a), written(b)))
}

/** One sign for each word; two texts have fewer different words than there are signs. */
function signOf(word: string, signs: Map<string, string>): string {
  const known = signs.get(word)
  if (known !== undefined) return known
  const sign = String.fromCharCode(signs.size + 1)
  signs.set(word, sign)
  return sign
}
