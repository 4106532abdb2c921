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
  const known: (readonly OrderedOffer[] | undefined)[] = []
  const leasts: (number | undefined)[] = []
  // The costs to come depend on no more of a wording than its kind: a search of many asks for them often.
  const cheapest = parts.map((part, at) => cheapestOfKinds(part, offers[at] ?? []))
  return inOrder

  function inOrder(at: number, run: number): readonly OrderedOffer[] {
    const counted = Math.min(run, runThatCosts)
    const place = placeOf(at, counted)
    const found = known[place]
    const part = parts[at]
    if (found || !part) return found ?? []
    const toCome = kinds.map((kind) => leastAfter(kind, at, counted))
    const made = (offers[at] ?? [])
      .map((offer): OrderedOffer => ({ offer, least: offer.cost + (toCome[kindOf(offer, part)] ?? 0) }))
      .sort((a, b) => a.least - b.least)
    known[place] = made
    return made
  }

  /** The least that all parts after one can cost, by the kind of its wording. */
  function leastAfter(kind: number, at: number, run: number): number {
    const opens = (kind & opensWithStudent) !== 0
    const alone = opens ? openingCost(run) + leastFrom(at + 1, run + 1) : leastFrom(at + 1, 0)
    return kind & mayJoin ? Math.min(alone, leastFrom(at + 1, run)) : alone
  }

  function leastFrom(at: number, run: number): number {
    if (at >= parts.length) return 0
    const counted = Math.min(run, runThatCosts)
    const place = placeOf(at, counted)
    const found = leasts[place]
    if (found !== undefined) return found
    const made = Math.min(...kinds.map((kind) => (cheapest[at]?.[kind] ?? Infinity) + leastAfter(kind, at, counted)))
    leasts[place] = made
    return made
  }
}

/** Where what is known of a part is kept, after so many sentences in a row that begin with the student. */
function placeOf(at: number, run: number): number {
  return at * (runThatCosts + 1) + run
}

/** What a wording is, as far as the parts after it care: one bit each. */
const opensWithStudent = 1
const mayJoin = 2
const kinds = [0, opensWithStudent, mayJoin, opensWithStudent | mayJoin]

function kindOf({ phrase }: Offer, { planned }: OpenPart): number {
  const joins = (planned.sharesSentence && phrase.joins) || phrase.part === 'next step'
  return (phrase.opensWithStudent ? opensWithStudent : 0) | (joins ? mayJoin : 0)
}

/** By kind what the cheapest wording costs by itself; infinity where there is none. */
function cheapestOfKinds(part: OpenPart, offers: readonly Offer[]): number[] {
  const cheapest = kinds.map(() => Infinity)
  for (const offer of offers) {
    const kind = kindOf(offer, part)
    if (offer.cost < (cheapest[kind] ?? Infinity)) cheapest[kind] = offer.cost
  }
  return cheapest
}
