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
  /** How many words each has; and the fewest that any had. */
  private readonly sizes = new Int32Array(mostCompared)
  private smallest = Infinity
  /** For each word a bit for each text that has it. */
  having: Int32Array = new Int32Array(1024)
  /** Where the highest index was found last. */
  mostLike = 0
  private readonly inWhole = new WordSet()
  private readonly compared = new Comparing(this)

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
    this.sizes[place] = words.length
    this.smallest = Math.min(this.smallest, words.length)
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

  /** The same for texts that differ from others in one phrase; until a text is added or taken back. */
  comparing(): Comparing {
    return this.compared.anew()
  }

  /** How many words a text has. */
  sizeOf(text: number): number {
    return this.sizes[text] ?? 0
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

  /** The highest index of some texts, by what each shares with a text of so many words, and in mostLike whose it is. */
  highest(shared: Int32Array, of: number, among = ~0): number {
    let most = 0
    let left = withAtLeast(1, shared) & among
    while (left !== 0) {
      // What was most like the one before is likely to be so again, and few others can be more.
      const at = (left >> this.mostLike) & 1 ? this.mostLike : 31 - Math.clz32(left & -left)
      left &= ~(1 << at)
      const both = countAt(shared, at)
      const index = both / (of + this.sizeOf(at) - both)
      if (index <= most) continue
      most = index
      this.mostLike = at
      // both / (of + size - both) > most, solved for what is shared, beside the smallest text that there is.
      left &= withAtLeast(Math.floor((most * (of + this.smallest)) / (1 + most)), shared)
    }
    return most
  }
}

/** Which texts' counts are so high: all compared at once, from the highest place down. */
function withAtLeast(count: number, counts: Int32Array): number {
  let higher = 0
  let same = count >> places === 0 ? ~0 : 0
  for (let place = places - 1; place >= 0; place -= 1) {
    const bits = counts[place] ?? 0
    if ((count >> place) & 1) same &= bits
    else {
      higher |= same & bits
      same &= ~bits
    }
  }
  return higher | same
}

/** The count of one text, of which the bits stand in one number for each place. */
function countAt(counts: Int32Array, text: number): number {
  let count = 0
  for (let place = 0; place < places; place += 1) count |= (((counts[place] ?? 0) >> text) & 1) << place
  return count
}

/**
 * How like those texts some are that differ in one phrase. What all of them have is counted once; and where others are
 * asked about that begin alike, what they begin with is not counted again.
 */
export class Comparing {
  private readonly counted: Worded[] = []
  /** The words that each of those phrases was the first to have. */
  private readonly added: number[][] = []
  /** For each word 1 where they have it. */
  private having: Int32Array = new Int32Array(1024)
  /** What the texts share of them, and of them with one phrase more. */
  private readonly shared: Int32Array[] = [new Int32Array(places)]
  private readonly all = new Int32Array(places)
  private size = 0
  /** The text that is most like them. */
  private top = 0
  private sizeOfTop = 0
  private sharedByTop = 0

  constructor(private readonly texts: TextsOfOthers) {}

  /** As what was counted holds no longer, once there are other texts. */
  anew(): this {
    while (this.counted.length > 0) this.takeOff()
    return this
  }

  /** From now on the phrases are asked about beside these. */
  beside(others: readonly { readonly phrase: Worded }[]): void {
    let same = 0
    while (same < this.counted.length && this.counted[same] === others[same]?.phrase) same += 1
    while (this.counted.length > same) this.takeOff()
    for (let at = same; at < others.length; at += 1) this.putOn(others[at]?.phrase)
    const shared = this.shared[this.counted.length] ?? this.all
    this.texts.highest(shared, this.size)
    this.top = this.texts.mostLike
    this.sizeOfTop = this.texts.sizeOf(this.top)
    this.sharedByTop = countAt(shared, this.top)
  }

  /** The index of a phrase with the others, from 0 to 1. */
  exactly(phrase: Worded): number {
    const { all, having } = this
    const byTexts = this.texts.having
    this.takeOver(this.counted.length, all)
    let of = this.size
    for (const word of phrase.words) {
      if (having[word] === 1) continue
      of += 1
      addTo(all, byTexts[word] ?? 0)
    }
    return this.texts.highest(all, of)
  }

  /** In less time, one that it cannot be below: that of the text most like the others. */
  atLeast(phrase: Worded): number {
    const { top, having } = this
    const byTexts = this.texts.having
    let of = this.size + this.sizeOfTop
    let both = this.sharedByTop
    for (const word of phrase.words) {
      // Reckoned, not asked: which words are new nobody can foresee, the processor neither.
      const isNew = 1 - (having[word] ?? 0)
      of += isNew
      both += ((byTexts[word] ?? 0) >> top) & isNew
    }
    return both === 0 ? 0 : both / (of - both)
  }

  /** What the texts share of so many of the phrases. */
  private takeOver(phrases: number, into: Int32Array): void {
    const from = this.shared[phrases]
    for (let place = 0; place < places; place += 1) into[place] = from?.[place] ?? 0
  }

  private putOn(phrase: Worded | undefined): void {
    if (!phrase) return
    const shared = (this.shared[this.counted.length + 1] ??= new Int32Array(places))
    this.takeOver(this.counted.length, shared)
    this.counted.push(phrase)
    const words: number[] = []
    for (const word of phrase.words) {
      if (this.having[word] === 1) continue
      this.having = withRoomFor(word, this.having)
      this.having[word] = 1
      words.push(word)
      addTo(shared, this.texts.having[word] ?? 0)
    }
    this.size += words.length
    this.added.push(words)
  }

  private takeOff(): void {
    this.counted.pop()
    const words = this.added.pop() ?? []
    for (const word of words) this.having[word] = 0
    this.size -= words.length
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
