import type { ReadyPhrase } from './phrase'
import type { Because } from './because'
import type { Tier } from '../scales/tier'

/** A place in a comment that is waiting for its wording. */
export interface OpenPart {
  candidates: ReadyPhrase[]
  tier: Tier | null
  because: Because[]
  sharesSentence: boolean
  /** Parts that may be left out when the limit is tight, lowest first; 0 is never left out. */
  dispensable: number
  about: string
}

/** A part with the wording and describing words chosen for it. */
export interface ChosenPart extends Omit<OpenPart, 'candidates'> {
  phrase: ReadyPhrase
  describing: string[]
}

/** What classmates have been given already, so that the same sentence is not sent home twice. */
export type Usage = Map<string, number>

/** How many wordings are followed at once. Wide enough to be exact for the shipped plans; bounded for any other. */
const beamWidth = 24

/**
 * A number from 0 to 1 that depends on nothing but its words (FNV-1a, 32 bit): the deterministic stand-in for chance.
 * Each student prefers each phrase by its own number, so that one student's change does not shift the others.
 */
export function preference(...words: string[]): number {
  let hash = 0x811c9dc5
  for (const character of words.join('\u0000')) {
    hash = Math.imul(hash ^ (character.codePointAt(0) ?? 0), 0x01000193)
  }
  // A final mix, since FNV's low bits are weak for short inputs.
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d)
  return ((hash ^ (hash >>> 13)) >>> 0) / 0xffffffff
}

interface Path {
  cost: number
  chosen: ChosenPart[]
  words: ReadonlySet<string>
}

/** A candidate with everything about it that does not depend on the path: worked out once, not once per path. */
interface Offer {
  phrase: ReadyPhrase
  cost: number
  /** For each describing slot the words it may have, this student's favourite first. */
  slots: string[][]
}

/**
 * Chooses wordings and describing words for one comment.
 *
 * Hard: no describing word, nor a close relative of it, twice in the comment. Cost of a wording: how many classmates have it
 * already (1 each) plus this student's own preference (0 to 1). The cheapest whole is taken.
 *
 * @param seed who and which box: the same seed, parts and usage always give the same choice
 * @param describing the words of each tier
 */
export function chooseWordings(
  parts: readonly OpenPart[],
  seed: readonly string[],
  usage: Usage,
  describing: Readonly<Record<Tier, readonly string[]>>,
): ChosenPart[] {
  const own = seed.join('\u0000')
  let paths: Path[] = [{ cost: 0, chosen: [], words: new Set() }]
  for (const part of parts) {
    const offers = part.candidates.map((phrase) => offer(phrase, part.tier, own, usage, describing))
    const next = paths.flatMap((path) => offers.flatMap((each) => extend(path, part, each) ?? []))
    if (next.length === 0) continue
    next.sort((a, b) => a.cost - b.cost)
    paths = next.slice(0, beamWidth)
  }
  return paths[0]?.chosen ?? []
}

function offer(phrase: ReadyPhrase, tier: Tier | null, seed: string, usage: Usage, describing: Readonly<Record<Tier, readonly string[]>>): Offer {
  const slots = describingWordsIn(phrase).map((example) => {
    const pool = tier === null ? [example] : [...new Set([example, ...describing[tier]])]
    return pool.map((word) => ({ word, liking: preference(seed, phrase.id, word) })).sort((a, b) => a.liking - b.liking).map(({ word }) => word)
  })
  return { phrase, cost: (usage.get(phrase.id) ?? 0) + preference(seed, phrase.id), slots }
}

function extend(path: Path, part: OpenPart, { phrase, cost, slots }: Offer): Path | null {
  let words = path.words
  const picked: string[] = []
  for (const pool of slots) {
    const free = pool.find((word) => !words.has(stem(word)))
    if (free === undefined) return null
    words = new Set([...words, stem(free)])
    picked.push(free)
  }
  const { tier, because, sharesSentence, dispensable, about } = part
  return {
    cost: path.cost + cost,
    chosen: [...path.chosen, { tier, because, sharesSentence, dispensable, about, phrase, describing: picked }],
    words,
  }
}

function describingWordsIn(phrase: ReadyPhrase): string[] {
  return phrase.tokens.flatMap((token) => (token.kind === 'describing' ? [token.example] : []))
}

/** Words that share their first five letters count as one: excel, excellent, excellently. */
export function stem(word: string): string {
  return word.slice(0, 5)
}
