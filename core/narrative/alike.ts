import { withRoomFor } from './numberList'
import type { ReadyPhrase } from './readyPhrase'

/** Something that is said, by its words. */
type Worded = Pick<ReadyPhrase, 'words'>

/** So many texts can be compared with at once: one bit for each. */
export const mostCompared = 30

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

  get isEmpty(): boolean {
    return this.count === 0
  }

  /** One more text; where there are too many, the oldest gives way. */
  add(phrases: readonly Worded[]): void {
    const place = this.placeForOne()
    const words: number[] = []
    this.inWhole.empty()
    for (const phrase of phrases)
      for (const word of phrase.words) {
        if (this.inWhole.has(word)) continue
        this.inWhole.add(word)
        words.push(word)
        this.having = withRoomFor(word, this.having)
        this.having[word] = (this.having[word] ?? 0) | (1 << place)
      }
    this.texts[place] = { phrases: [...phrases], words }
    this.count += 1
  }

  /** A text that was added; false, and nothing, where it has given way since. */
  takeBack(phrases: readonly Worded[]): boolean {
    const place = this.placeOf(phrases)
    if (place >= 0) this.empty(place)
    return place >= 0
  }

  private placeOf(phrases: readonly Worded[]): number {
    return this.texts.findIndex(
      (text) => text?.phrases.length === phrases.length && phrases.every((each, at) => text.phrases[at] === each),
    )
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

  /** The same for a text that was added, beside all others; null where it has given way since. */
  mostAlikeBesides(phrases: readonly Worded[]): number | null {
    const place = this.placeOf(phrases)
    if (place < 0) return null
    const { of, shared } = this.counted(phrases, this.inWhole)
    return this.highest(shared, of, ~(1 << place))
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
      for (let place = 0; place < places; place += 1) all[place] = shared[place] ?? 0
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

  /** The highest index of some texts, by what each shares with a text of so many words. */
  private highest(shared: Int32Array, of: number, among = ~0): number {
    let most = 0
    let looked = 0
    for (let top = places - 1; top >= 0; top -= 1) {
      // What has fewer than two to the power of the places left shares less than that of all words there are.
      if ((2 << top) - 1 <= most * of) break
      let left = (shared[top] ?? 0) & among & ~looked
      looked |= left
      for (; left !== 0; left &= left - 1) {
        const at = 31 - Math.clz32(left & -left)
        let both = 0
        for (let place = 0; place <= top; place += 1) both |= (((shared[place] ?? 0) >> at) & 1) << place
        const index = both / (of + (this.texts[at]?.words.length ?? 0) - both)
        if (index > most) most = index
      }
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
