import type { ReadyPhrase } from './readyPhrase'

const numbers = new Map<string, number>()
const wordsOfPhrases = new WeakMap<ReadyPhrase, readonly number[]>()

/** The words of some phrases that are the same whoever the student is, as numbers. */
export function wordsIn(phrases: readonly ReadyPhrase[]): ReadonlySet<number> {
  const words = new Set<number>()
  for (const phrase of phrases) for (const word of wordsOf(phrase)) words.add(word)
  return words
}

function wordsOf(phrase: ReadyPhrase): readonly number[] {
  const known = wordsOfPhrases.get(phrase)
  if (known) return known
  const made = (phrase.fixed.toLowerCase().match(/[\p{L}’]+/gu) ?? []).map((word) => {
    const number = numbers.get(word) ?? numbers.size
    numbers.set(word, number)
    return number
  })
  wordsOfPhrases.set(phrase, made)
  return made
}

/** How many of some texts have each word, as a share of them. */
export function sharesOfWords(texts: readonly ReadonlySet<number>[]): ReadonlyMap<number, number> {
  const shares = new Map<number, number>()
  for (const text of texts) for (const word of text) shares.set(word, (shares.get(word) ?? 0) + 1 / texts.length)
  return shares
}

/** How many words of a phrase stand in texts already, each counted by the share of the texts that have it. */
export function wordsHeard(phrase: ReadyPhrase, shares: ReadonlyMap<number, number>): number {
  return wordsOf(phrase).reduce((sum, word) => sum + (shares.get(word) ?? 0), 0)
}

/**
 * How like the most alike of some texts a text is: Jaccard's index of their word sets, from 0 to 1; 0 where there is no
 * other.
 */
export function mostAlike(words: ReadonlySet<number>, others: readonly ReadonlySet<number>[]): number {
  let most = 0
  for (const other of others) {
    let shared = 0
    for (const word of words) if (other.has(word)) shared += 1
    most = Math.max(most, shared / (words.size + other.size - shared))
  }
  return most
}
