import type { OpenPart } from './openPart'
import type { ReadyPhrase } from './readyPhrase'
import { openingCost, runThatCosts } from './wordingCost'

/** A candidate with all that does not depend on the other parts. */
export interface Offer {
  readonly phrase: ReadyPhrase
  readonly cost: number
  readonly families: readonly number[]
}

/** The offers of a part, the most promising first, each with the least that it and all parts to come can cost. */
export interface InOrder {
  readonly offers: readonly Offer[]
  readonly leasts: readonly number[]
}

/**
 * The order in which a search takes a part's offers, the most promising first: by their own cost, by that of beginning
 * with the student after so many sentences that do, and by the least that all parts to come can cost then. So a search
 * may leave a part at the first offer that is no better than what it has found.
 * @param offers of each part, the cheapest first
 * @returns the offers of a part after so many sentences in a row that begin with the student
 */
export function searchOrder(
  parts: readonly OpenPart[],
  offers: readonly (readonly Offer[])[],
): (at: number, run: number) => InOrder {
  const known = new Array<InOrder | null>(parts.length * runs).fill(null)
  const leasts = new Array<number>(parts.length * runs).fill(unknown)
  // What all parts to come cost depends on no more of a wording than its kind.
  const ofKinds = parts.map((part, at) => byKind(part, offers[at] ?? []))
  return inOrder

  function inOrder(at: number, run: number): InOrder {
    const counted = Math.min(run, runThatCosts)
    const place = placeOf(at, counted)
    const found = known[place]
    if (found) return found
    const toCome = kinds.map((kind) => leastAfter(kind, at, counted))
    const made = merged(offers[at] ?? [], ofKinds[at] ?? [], toCome)
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
    if (found !== undefined && !Number.isNaN(found)) return found
    let made = Infinity
    for (const kind of kinds) {
      const cheapest = offers[at]?.[ofKinds[at]?.[kind]?.[0] ?? -1]
      if (cheapest) made = Math.min(made, cheapest.cost + leastAfter(kind, at, counted))
    }
    leasts[place] = made
    return made
  }
}

/** So many sentences in a row that begin with the student are told apart: from none to where one more costs. */
const runs = runThatCosts + 1

/** Of what is not worked out yet: no number, but one in how it is kept. */
const unknown = NaN

/** Where what is known of a part is kept, after so many sentences in a row that begin with the student. */
function placeOf(at: number, run: number): number {
  return at * runs + run
}

/** What a wording is, as far as the parts after it care: one bit each. */
const opensWithStudent = 1
const mayJoin = 2
const kinds = [0, opensWithStudent, mayJoin, opensWithStudent | mayJoin]

function kindOf({ phrase }: Offer, { planned }: OpenPart): number {
  const joins = (planned.sharesSentence && phrase.joins) || phrase.part === 'next step'
  return (phrase.opensWithStudent ? opensWithStudent : 0) | (joins ? mayJoin : 0)
}

/** The places of the offers of each kind among all of a part, which are the cheapest first. */
function byKind(part: OpenPart, offers: readonly Offer[]): number[][] {
  const places = kinds.map((): number[] => [])
  for (const [at, offer] of offers.entries()) places[kindOf(offer, part)]?.push(at)
  return places
}

/** All offers by what they and all to come cost at least; those of one kind are in order already. */
function merged(offers: readonly Offer[], places: readonly (readonly number[])[], toCome: readonly number[]): InOrder {
  const taken = kinds.map(() => 0)
  const inOrder: Offer[] = []
  const leasts: number[] = []
  while (inOrder.length < offers.length) {
    let next = 0
    let place = offers.length
    let least = Infinity
    for (const kind of kinds) {
      const at = places[kind]?.[taken[kind] ?? 0] ?? offers.length
      const cost = (offers[at]?.cost ?? Infinity) + (toCome[kind] ?? 0)
      // Of equals the one that is cheaper by itself.
      if (cost < least || (cost === least && at < place)) {
        next = kind
        place = at
        least = cost
      }
    }
    const offer = offers[place]
    if (!offer) break
    inOrder.push(offer)
    leasts.push(least)
    taken[next] = (taken[next] ?? 0) + 1
  }
  return { offers: inOrder, leasts }
}
