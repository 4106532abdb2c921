import type { ReadyPhrase } from './readyPhrase'

const numbers = new Map<string, number>()
const wordsOfPhrases = new WeakMap<ReadyPhrase, readonly number[]>()

/** The words of a text of some phrases that are the same whoever the student is, as numbers, each once. */
export function wordsIn(phrases: readonly ReadyPhrase[]): number[] {
  return [...new Set(phrases.flatMap(wordsOf))]
}

function wordsOf(phrase: ReadyPhrase): readonly number[] {
  const known = wordsOfPhrases.get(phrase)
  if (known) return known
  const words = new Set(phrase.fixed.toLowerCase().match(/[\p{L}’]+/gu) ?? [])
  const made = [...words].map((word) => {
    const number = numbers.get(word) ?? numbers.size
    numbers.set(word, number)
    return number
  })
  wordsOfPhrases.set(phrase, made)
  return made
}

/** So many texts can be compared with at once: one bit for each. */
export const mostCompared = 30

/** So many places has a count of words that a text shares, in twos: no comment has more of them. */
const places = 8

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
    const [last, ...others] = phrases.toReversed()
    return last ? this.mostAlikeWith(others)(last) : 0
  }

  /** The same for texts that differ in one phrase: what the others have is counted once. */
  mostAlikeWith(others: readonly ReadyPhrase[]): (phrase: ReadyPhrase) => number {
    const counted = new Set<number>()
    const shared = new Int32Array(places)
    for (const phrase of others)
      for (const word of wordsOf(phrase)) {
        if (counted.has(word)) continue
        counted.add(word)
        addTo(shared, this.having.get(word) ?? 0)
      }
    const all = new Int32Array(places)
    return (phrase) => {
      all.set(shared)
      let of = counted.size
      for (const word of wordsOf(phrase)) {
        if (counted.has(word)) continue
        of += 1
        addTo(all, this.having.get(word) ?? 0)
      }
      return this.highest(all, of)
    }
  }

  /** The highest index of all texts, by what each shares with a text of so many words. */
  private highest(shared: Int32Array, of: number): number {
    let most = 0
    for (let at = 0; at < this.texts.length; at += 1) {
      let both = 0
      for (let place = 0; place < places; place += 1) both |= (((shared[place] ?? 0) >> at) & 1) << place
      const index = both / (of + (this.texts[at]?.length ?? 0) - both)
      if (index > most) most = index
    }
    return most
  }
}

/** Adds one to the counts of some texts, all at once: the bits of each place of all counts stand in one number. */
function addTo(counts: Int32Array, texts: number): void {
  for (let carry = texts, place = 0; carry !== 0 && place < places; place += 1) {
    const bits = counts[place] ?? 0
    counts[place] = bits ^ carry
    carry &= bits
  }
}

/** How many bits are set, all counted at once: in pairs, in fours, in bytes. */
function bitsIn(bits: number): number {
  const pairs = bits - ((bits >> 1) & 0x55555555)
  const fours = (pairs & 0x33333333) + ((pairs >> 2) & 0x33333333)
  return (((fours + (fours >> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24
}
