import type { Tier } from '../scales/tier'
import type { Because, SayableFact } from './because'
import { factNames, type FactName } from './notation'
import type { PlannedPart } from './plan'
import type { ReadyPhrase } from './readyPhrase'

/** A place in a comment that is waiting for its wording. */
export interface OpenPart {
  /** What it says, as it is kept with its sentence: a part of the plan, or each skill or habit by itself. */
  readonly keys: readonly string[]
  /** The parts of the plan by which it is said. */
  readonly within: readonly string[]
  readonly planned: PlannedPart
  readonly candidates: readonly ReadyPhrase[]
  readonly tier: Tier | null
  /** True when it tells of an uneven strand: no describing word is true of all of it. */
  readonly uneven: boolean
  readonly because: readonly Because[]
  /** What single wordings rest on besides, by their phrases' ids; null where they all tell the same. */
  readonly becauseOf: ReadonlyMap<string, readonly Because[]> | null
  /** What its phrases may say of the record. */
  readonly facts: Partial<Record<FactName, SayableFact>>
  /** Parts that may be left out when the limit is tight, highest first. */
  readonly dispensable: number
}

/**
 * A part with some of it put otherwise. Each by its name: spread, every part would be an object of a make of its own,
 * and slow to read from.
 */
export function partWith(part: OpenPart, other: Partial<OpenPart>): OpenPart {
  return {
    keys: other.keys ?? part.keys,
    within: other.within ?? part.within,
    planned: other.planned ?? part.planned,
    candidates: other.candidates ?? part.candidates,
    tier: other.tier === undefined ? part.tier : other.tier,
    uneven: other.uneven ?? part.uneven,
    because: other.because ?? part.because,
    becauseOf: other.becauseOf ?? part.becauseOf,
    facts: other.facts ?? part.facts,
    dispensable: other.dispensable ?? part.dispensable,
  }
}

/** The same facts as plain words. */
export function inWords(facts: OpenPart['facts']): Partial<Record<FactName, string>> {
  const words: Partial<Record<FactName, string>> = {}
  for (const name of factNames) {
    const fact = facts[name]
    if (fact) words[name] = fact.text
  }
  return words
}
