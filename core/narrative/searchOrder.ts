import type { OpenPart } from './openPart'
import type { ReadyPhrase } from './readyPhrase'
import { openingCost, runThatCosts } from './wordingCost'

/** A candidate with all that does not depend on the other parts. */
export interface Offer {
  readonly phrase: ReadyPhrase
  readonly cost: number
  readonly families: readonly number[]
}

/** An offer with the least that it and all parts to come can cost together. */
export interface OrderedOffer {
  readonly offer: Offer
  readonly least: number
}

/**
 * The order in which a search takes a part's offers, the most promising first: by their own cost, by that of beginning
 * with the student after so many sentences that do, and by the least that all parts to come can cost then. So a search
 * may leave a part at the first offer that is no better than what it has found.
 * @returns the offers of a part after so many sentences in a row that begin with the student
 */
export function searchOrder(
  parts: readonly OpenPart[],
  offers: readonly (readonly Offer[])[],
): (at: number, run: number) => readonly OrderedOffer[] {
  const known = parts.map(() => new Map<number, readonly OrderedOffer[]>())
  return inOrder

  function inOrder(at: number, run: number): readonly OrderedOffer[] {
    const counted = Math.min(run, runThatCosts)
    const found = known[at]?.get(counted)
    if (found) return found
    const made = (offers[at] ?? [])
      .map((offer): OrderedOffer => ({ offer, least: leastWith(offer, at, counted) }))
      .sort((a, b) => a.least - b.least)
    known[at]?.set(counted, made)
    return made
  }

  function leastWith({ phrase, cost }: Offer, at: number, run: number): number {
    const alone = phrase.opensWithStudent ? openingCost(run) + leastFrom(at + 1, run + 1) : leastFrom(at + 1, 0)
    const mayJoin = (parts[at]?.planned.sharesSentence === true && phrase.joins) || phrase.part === 'next step'
    return cost + (mayJoin ? Math.min(alone, leastFrom(at + 1, run)) : alone)
  }

  function leastFrom(at: number, run: number): number {
    return at >= parts.length ? 0 : (inOrder(at, run)[0]?.least ?? Infinity)
  }
}
