import type { ReadyPhrase } from './readyPhrase'

/** Something that is said, by its words. */
type Worded = Pick<ReadyPhrase, 'words'>

/** So many texts can be compared with at once: one bit for each. */
const mostCompared = 30

/** So many places has a count of words that a text shares, in twos: no comment has more of them. */
const places = 8

interface Text {
  readonly phrases: readonly Worded[]
  readonly words: readonly number[]
}

/** The last texts that others have been given, at most thirty, each as its words. */
export class TextsOfOthers {
  /** Each in a place of its own, which is left empty where one was taken back. */
  private readonly texts: (Text | null)[] = []
  private next = 0
  private count = 0
  /** For each word a bit for each text that has it. */
  private having: Int32Array = new Int32Array(1024)
  private readonly inWhole = new WordSet()
  private readonly inOthers = new WordSet()

  /** One more text; where there are too many, the oldest gives way. */
  add(phrases: readonly Worded[]): void {
    const place = this.placeForOne()
    const words = [...new Set(phrases.flatMap((phrase) => phrase.words))]
    for (const word of words) {
      this.having = withRoomFor(word, this.having)
      this.having[word] = (this.having[word] ?? 0) | (1 << place)
    }
    this.texts[place] = { phrases: [...phrases], words }
    this.count += 1
  }

  /** A text that was added; false, and nothing, where it has given way since. */
  takeBack(phrases: readonly Worded[]): boolean {
    const place = this.texts.findIndex(
      (text) => text?.phrases.length === phrases.length && phrases.every((each, at) => text.phrases[at] === each),
    )
    if (place >= 0) this.empty(place)
    return place >= 0
  }

  private placeForOne(): number {
    const empty = this.texts.indexOf(null)
    if (empty >= 0) return empty
    if (this.texts.length < mostCompared) return this.texts.length
    const oldest = this.next
    this.next = (oldest + 1) % mostCompared
    this.empty(oldest)
    return oldest
  }

  private empty(place: number): void {
    for (const word of this.texts[place]?.words ?? []) this.having[word] = (this.having[word] ?? 0) & ~(1 << place)
    this.texts[place] = null
    this.count -= 1
  }

  /** How many words of a phrase stand in the texts already, each counted by the share of the texts that have it. */
  wordsHeard(phrase: Worded): number {
    let heard = 0
    for (const word of phrase.words) heard += bitsIn(this.having[word] ?? 0)
    return heard === 0 ? 0 : heard / this.count
  }

  /**
   * How like the most alike of the texts a text of some phrases is: Jaccard's index of their word sets, from 0 to 1; 0
   * where there is no other.
   */
  mostAlike(phrases: readonly Worded[]): number {
    const { of, shared } = this.counted(phrases, this.inWhole)
    return this.highest(shared, of)
  }

  /**
   * The same for texts that differ in one phrase: what the others have is counted once. What it gives may be asked
   * until it is called again.
   */
  mostAlikeWith(others: readonly Worded[]): (phrase: Worded) => number {
    const { of: size, shared } = this.counted(others, this.inOthers)
    const { inOthers } = this
    const all = new Int32Array(places)
    return (phrase) => {
      all.set(shared)
      let of = size
      for (const word of phrase.words) {
        if (inOthers.has(word)) continue
        of += 1
        addTo(all, this.having[word] ?? 0)
      }
      return this.highest(all, of)
    }
  }

  /** How many different words some phrases have, which are put into a set, and what each text shares of them. */
  private counted(phrases: readonly Worded[], words: WordSet): { of: number; shared: Int32Array } {
    words.empty()
    const shared = new Int32Array(places)
    let of = 0
    for (const phrase of phrases)
      for (const word of phrase.words) {
        if (words.has(word)) continue
        words.add(word)
        of += 1
        addTo(shared, this.having[word] ?? 0)
      }
    return { of, shared }
  }

  /** The highest index of all texts, by what each shares with a text of so many words. */
  private highest(shared: Int32Array, of: number): number {
    let used = places
    while (used > 0 && shared[used - 1] === 0) used -= 1
    let most = 0
    for (let at = 0; at < this.texts.length; at += 1) {
      let both = 0
      for (let place = 0; place < used; place += 1) both |= (((shared[place] ?? 0) >> at) & 1) << place
      if (both === 0) continue
      const index = both / (of + (this.texts[at]?.words.length ?? 0) - both)
      if (index > most) most = index
    }
    return most
  }
}

/** A set of small numbers that is emptied in no time and needs no room anew: what was added last has the last mark. */
class WordSet {
  private marks: Int32Array = new Int32Array(1024)
  private mark = 0

  empty(): void {
    this.mark += 1
  }

  has(word: number): boolean {
    return this.marks[word] === this.mark
  }

  add(word: number): void {
    this.marks = withRoomFor(word, this.marks)
    this.marks[word] = this.mark
  }
}

/** A list that has a place for so high a number; twice as long where it has none. */
function withRoomFor(number: number, list: Int32Array): Int32Array {
  if (number < list.length) return list
  const longer = new Int32Array(2 * number)
  longer.set(list)
  return longer
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
