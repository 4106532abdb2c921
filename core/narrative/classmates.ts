import { TextsOfOthers } from './alike'
import type { OpenPart } from './openPart'
import type { ReadyPhrase } from './readyPhrase'
import type { ChosenPart } from './sayComment'
import { Usage } from './usage'

/** What classmates have been given in one box: each wording, each whole comment, and the texts that tell the same. */
export class Classmates {
  private readonly whole = new Map<string, number>()
  private readonly alike = new Map<string, TextsOfOthers>()

  constructor(readonly usage: Usage = new Usage()) {}

  /** One more comment of a classmate. */
  add(chosen: readonly ChosenPart[]): void {
    this.count(chosen, 1)
    this.textsTelling(keysOf(chosen.flatMap(({ part }) => part.keys))).add(phrasesIn(chosen))
  }

  /** A text that stands, by the keys of what it tells and its words. */
  addText(tells: readonly string[], words: readonly number[]): void {
    this.textsTelling(keysOf(tells)).add([{ words }])
  }

  /** A comment that was added, to be chosen anew; false, and nothing, where too many others came after it. */
  takeBack(chosen: readonly ChosenPart[]): boolean {
    const isThere = this.tellingTheSame(chosen.map(({ part }) => part))?.takeBack(phrasesIn(chosen)) ?? false
    if (isThere) this.count(chosen, -1)
    return isThere
  }

  /** Whether somebody has a comment in these very words. */
  have(phrases: readonly ReadyPhrase[]): boolean {
    return this.whole.size > 0 && (this.whole.get(idsOf(phrases)) ?? 0) > 0
  }

  /** The last texts that tell just what these parts tell of skills and habits; null where there are none. */
  tellingTheSame(parts: readonly OpenPart[]): TextsOfOthers | null {
    return this.alike.get(keysOf(parts.flatMap(({ keys }) => keys))) ?? null
  }

  private textsTelling(tells: string): TextsOfOthers {
    const known = this.alike.get(tells) ?? new TextsOfOthers()
    this.alike.set(tells, known)
    return known
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

/** What a comment tells of skills and habits, whatever else it tells: what has the same is compared. */
function keysOf(keys: readonly string[]): string {
  return keys
    .filter((key) => /^(skill|habit) /.test(key))
    .toSorted()
    .join('\u0000')
}
