import type { Tier } from '../scales/tier'
import { parsePhrase, type Token } from './notation'

/** The parts that a comment can be made of. */
export const partKinds = ['opening', 'outcome', 'habit', 'next step', 'closing'] as const
export type PartKind = (typeof partKinds)[number]

/** A sentence that a school uses, for one part of a comment. */
export interface Phrase {
  id: string
  /** A subject's key, "general" for the general comment, or "any". */
  subject: string
  part: PartKind
  /** The strand or habit it speaks of; "any" for parts that speak of none. */
  about: string
  /** The tiers it is true for; empty when it suits every one. */
  tiers: Tier[]
  /** In Facunda's notation. */
  text: string
}

/** A phrase ready to be said. */
export interface ReadyPhrase extends Phrase {
  tokens: Token[]
}

/** Interchangeable describing words by tier. */
export type DescribingWords = Record<Tier, string[]>

/** All that a school has to say, with its describing words. */
export interface Phrasebook {
  phrases: Phrase[]
  describing: DescribingWords
}

const ready = new WeakMap<Phrase, ReadyPhrase>()

/**
 * Parses a phrase once; the same phrase object is never parsed twice.
 * @throws NotationError
 */
export function readyPhrase(phrase: Phrase): ReadyPhrase {
  const known = ready.get(phrase)
  if (known) return known
  const made = { ...phrase, tokens: parsePhrase(phrase.text) }
  ready.set(phrase, made)
  return made
}
