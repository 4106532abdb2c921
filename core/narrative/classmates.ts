import { TextsOfOthers } from './alike'
import type { ReadyPhrase } from './readyPhrase'
import type { ChosenPart } from './sayComment'
import { Usage } from './usage'

/** What classmates have been given in one box: each wording, each whole comment, and the words of the last ones. */
export class Classmates {
  private readonly whole = new Map<string, number>()
  private readonly last = new TextsOfOthers()

  constructor(readonly usage: Usage = new Usage()) {}

  /** The last texts; null where there are none. */
  get texts(): TextsOfOthers | null {
    return this.last.isEmpty ? null : this.last
  }

  /** One more comment of a classmate. */
  add(chosen: readonly ChosenPart[]): void {
    if (chosen.length === 0) return
    this.count(chosen, 1)
    this.last.add(phrasesIn(chosen))
  }

  /** A text that stands, by its words. */
  addText(words: readonly number[]): void {
    this.last.add([{ words }])
  }

  /** A comment that was added, to be chosen anew. */
  takeBack(chosen: readonly ChosenPart[]): void {
    if (this.last.takeBack(phrasesIn(chosen))) this.count(chosen, -1)
  }

  /** Whether somebody has a comment in these very words. */
  have(phrases: readonly ReadyPhrase[]): boolean {
    // What one of its wordings is missing from is nobody's: most are known by that.
    return (
      phrases.every(({ idNumber }) => this.usage.ofPhrase(idNumber) > 0) && (this.whole.get(idsOf(phrases)) ?? 0) > 0
    )
  }

  private count(chosen: readonly ChosenPart[], times: 1 | -1): void {
    const ids = idsOf(phrasesIn(chosen))
    this.whole.set(ids, (this.whole.get(ids) ?? 0) + times)
    for (const { phrase, part } of chosen)
      this.usage.note(phrase, { keys: part.keys, tiers: part.tier ? [part.tier] : [] }, times)
  }
}

/** The wordings of a choice, in order. */
export function phrasesIn(chosen: readonly ChosenPart[]): ReadyPhrase[] {
  return chosen.map(({ phrase }) => phrase)
}

function idsOf(phrases: readonly ReadyPhrase[]): string {
  return phrases.map(({ id }) => id).join(' ')
}
