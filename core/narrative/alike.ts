import type { ReadyPhrase } from './readyPhrase'

const numbers = new Map<string, number>()
const wordsOfPhrases = new WeakMap<ReadyPhrase, readonly number[]>()
/** For each word, the text in which it was met last; so a text's words are told apart without a set of their own. */
const metIn: number[] = []
let textsMet = 0

/** The words of a text of some phrases that are the same whoever the student is, as numbers, each once. */
export function wordsIn(phrases: readonly ReadyPhrase[]): number[] {
  textsMet += 1
  const words: number[] = []
  for (const phrase of phrases)
    for (const word of wordsOf(phrase)) {
      if (metIn[word] === textsMet) continue
      metIn[word] = textsMet
      words.push(word)
    }
  return words
}

function wordsOf(phrase: ReadyPhrase): readonly number[] {
  const known = wordsOfPhrases.get(phrase)
  if (known) return known
  const made = (phrase.fixed.toLowerCase().match(/[\p{L}’]+/gu) ?? []).map((word) => {
    const number = numbers.get(word) ?? metIn.push(0) - 1
    numbers.set(word, number)
    return number
  })
  wordsOfPhrases.set(phrase, made)
  return made
}

/** So many texts can be compared with at once: one bit for each. */
export const mostCompared = 10

/** Texts that others have been given, each as its words (wordsIn); at most `mostCompared`. */
export class TextsOfOthers {
  /** For each word a bit for each text that has it. */
  private readonly having = new Map<number, number>()

  constructor(private readonly texts: readonly (readonly number[])[]) {
    texts.forEach((words, at) => {
      for (const word of words) this.having.set(word, (this.having.get(word) ?? 0) | (1 << at))
    })
  }

  get isEmpty(): boolean {
    return this.texts.length === 0
  }

  /** How many words of a phrase stand in the texts already, each counted by the share of the texts that have it. */
  wordsHeard(phrase: ReadyPhrase): number {
    let heard = 0
    for (const word of wordsOf(phrase)) heard += bitsIn(this.having.get(word) ?? 0)
    return heard === 0 ? 0 : heard / this.texts.length
  }

  /**
   * How like the most alike of the texts a text of some phrases is: Jaccard's index of their word sets, from 0 to 1; 0
   * where there is no other.
   */
  mostAlike(phrases: readonly ReadyPhrase[]): number {
    const words = wordsIn(phrases)
    // A count for each text, all counts at once: the bits of each place of all counts stand in one number.
    const places: number[] = []
    for (const word of words)
      for (let carry = this.having.get(word) ?? 0, at = 0; carry !== 0; at += 1) {
        const bits = places[at] ?? 0
        places[at] = bits ^ carry
        carry &= bits
      }
    let most = 0
    this.texts.forEach((text, at) => {
      const shared = places.reduce((sum, bits, place) => sum + (((bits >> at) & 1) << place), 0)
      most = Math.max(most, shared / (words.length + text.length - shared))
    })
    return most
  }
}

function bitsIn(bits: number): number {
  let count = 0
  for (let left = bits; left !== 0; left &= left - 1) count += 1
  return count
}
