import { flatMap } from '../flatMap'
import type { DescribingWords } from './phrase'
import type { FactName } from './notation'
import type { ReadyPhrase } from './readyPhrase'
import type { OpenPart } from './openPart'
import { contentWords } from './wordFamily'
import { Tally } from './tally'
import { familyNumber } from './familyNumber'
import { inOwnOrder } from './preference'
import { searchOrder, type Offer } from './searchOrder'
import { joined, linkOf, nothingJoined, type Joining } from './joining'
import type { ChosenPart } from './sayComment'
import { openingCost, saidAlike, weights, wordingCosts, type CostSetting } from './wordingCost'

/** How far the search goes before it takes the best it has found. Enough to be exact for every shipped plan. */
const mostSteps = 6000
const mostTried = 30

/** Where there are no more choices than these, it goes on until it has the cheapest for certain. */
const fewChoices = 625

/** As long as it has found none that fits its box. */
const mostTriedInVain = 300

/** A content word may stand so often in a comment; a describing word, or a relative of it, once. */
const mostTimes = 2

export interface ChoiceSetting extends CostSetting {
  readonly describing: Readonly<DescribingWords>
  readonly describingFamilies: ReadonlySet<number>
  /** The most characters that the whole may have. */
  readonly atMost: number
  /**
   * What a finished choice costs beyond its wordings, never below 0: for how like a classmate's text it is, where that
   * is not known by costOfLikeness, and for how little it says.
   */
  readonly costAsWhole: (phrases: readonly ReadyPhrase[], likeness: number | null) => number
  /** What a choice costs for its likeness to others' texts; null where that is not looked at. */
  readonly costOfLikeness: CostOfLikeness | null
  /** Whether it may be said: the whole text is as long as it may be, and nobody else's. */
  readonly fits: (chosen: readonly ChosenPart[]) => boolean
}

/** What a phrase costs for likeness beside others; and, in less time, what it costs at least. */
export interface CostOfLikeness extends Readonly<Record<'exactly' | 'atLeast', (phrase: ReadyPhrase) => number>> {
  /** From now on it is asked beside these. */
  readonly beside: (others: readonly { readonly phrase: ReadyPhrase }[]) => void
}

/**
 * Chooses wordings and describing words for one comment: of all choices that keep the hard rules the one that costs
 * least (wordingCost, openingCost, saidAlike, words said again).
 *
 * Depth first with a bound: parts in order, the most promising wordings first; a branch is left as soon as what it
 * costs so far, with the least that all parts to come can cost after it (searchOrder), reaches the best choice found.
 * So the result is exact while the search stays within its steps (tests show it against trying everything), and
 * bounded beyond, where no other wording of one part alone would be better.
 *
 * @returns null when no choice keeps the rules
 */
export function chooseWordings(parts: readonly OpenPart[], setting: ChoiceSetting): ChosenPart[] | null {
  const offers = parts.map((part) => offersOf(part, setting))
  const inOrder = searchOrder(parts, offers)
  const lengthToCome = stillToCome(offers.map((each) => Math.min(...each.map(({ phrase }) => phrase.leastLength))))
  const counts = spare ?? new Tally()
  spare = null
  const areFew = offers.reduce((all, each) => all * each.length, 1) <= fewChoices
  const path: Offer[] = []
  const search = { best: Infinity, found: null as ChosenPart[] | null, choice: [] as Offer[], steps: 0, tried: 0 }
  descend(0, atFirst, null)
  if (isCutShort()) improve()
  spare = counts
  return search.found

  function descend(at: number, soFar: SoFar, known: number | null): void {
    if (at >= parts.length) {
      finish(soFar.cost, known)
      return
    }
    let likeness: CostOfLikeness | null = null
    const { offers: own, leasts } = inOrder(at, soFar.run)
    for (let nth = 0; nth < own.length; nth += 1) {
      if (isCutShort()) return
      search.steps += 1
      const offer = own[nth]
      const least = soFar.cost + (leasts[nth] ?? 0)
      if (!offer || least >= search.best) return
      if (at === parts.length - 1 && search.found) likeness ??= costOfLikeness(path)
      const alike = likenessOf(offer, likeness, least)
      if (alike !== null && least + alike >= search.best) {
        search.tried += 1
        continue
      }
      const next = goOn(at, soFar, offer)
      if (!next) continue
      path.push(offer)
      descend(at + 1, next, alike)
      path.pop()
      giveBack(offer.families)
    }
  }

  function isCutShort(): boolean {
    const most = areFew ? fewChoices : search.found ? mostTried : mostTriedInVain
    return search.steps >= mostSteps || search.tried >= most
  }

  function costOfLikeness(others: readonly Offer[]): CostOfLikeness | null {
    setting.costOfLikeness?.beside(others)
    return setting.costOfLikeness
  }

  /** What an offer costs for likeness; infinity where it is known in less time to be no better than what was found. */
  function likenessOf({ phrase }: Offer, likeness: CostOfLikeness | null, besides: number): number | null {
    if (likeness === null) return null
    return besides + likeness.atLeast(phrase) >= search.best ? Infinity : likeness.exactly(phrase)
  }

  /** A choice with one more wording, whose words are counted in; null, and nothing counted, where it may not be. */
  function goOn(at: number, { cost, length, run, now }: SoFar, { phrase, cost: own, families }: Offer): SoFar | null {
    const part = parts[at]
    const longer = length + phrase.leastLength
    if (!part || longer + (lengthToCome[at] ?? 0) > setting.atMost || !take(families)) return null
    const link = linkOf(now, phrase, parts, at)
    const opening = link || !phrase.opensWithStudent ? 0 : openingCost(run)
    const apart = part.planned.part === 'next step' && !link ? weights.stepApart : 0
    const again = saidAlike(path, phrase) + saidAgain(phrase.families) * weights.wordAgain
    return {
      cost: cost + own + opening + again + apart,
      length: longer,
      run: link ? run : phrase.opensWithStudent ? run + 1 : 0,
      now: joined(now, phrase, part.tier, link),
    }
  }

  /** After a search that was cut short: each part's other wordings in turn, until none of any part is better. */
  function improve(): void {
    for (let [at, still] = [0, 0]; search.found && still < parts.length; at = (at + 1) % parts.length) {
      const { found } = search
      improveAt(offers[at] ?? [], at)
      // What has just been gone through need not be again.
      still = search.found === found ? still + 1 : 1
    }
  }

  function improveAt(own: readonly Offer[], at: number): void {
    const { choice } = search
    const others = choice.filter((_, nth) => nth !== at)
    const cost = others.reduce((sum, each) => sum + each.cost, 0)
    const before = walk(choice.slice(0, at), atFirst)
    let likeness: CostOfLikeness | null = null
    for (const other of own) {
      // The cheapest come first: what follows cannot be better either.
      if (!before || cost + other.cost >= search.best) break
      if (other === choice[at]) continue
      likeness ??= costOfLikeness(others)
      const alike = likenessOf(other, likeness, cost + other.cost)
      if (cost + other.cost + (alike ?? 0) < search.best) tryOut(choice.with(at, other), before, alike)
    }
    goBack(0)
  }

  /** Takes a whole choice, of which so much is on the path, where it costs less than the best found. */
  function tryOut(choice: readonly Offer[], before: SoFar, likeness: number | null): void {
    const from = path.length
    const soFar = walk(choice.slice(from), before, likeness ?? 0)
    if (soFar && path.length === choice.length) finish(soFar.cost, likeness)
    goBack(from)
  }

  /**
   * Goes on by some offers as far as they may be, and as long as with what is still to come they cost less than the
   * best found.
   */
  function walk(offers: readonly Offer[], before: SoFar, besides = 0): SoFar | null {
    let soFar: SoFar | null = before
    // What is still to come costs at least what its wordings do by themselves.
    let toCome = offers.reduce((sum, { cost }) => sum + cost, besides)
    for (const offer of offers) {
      toCome -= offer.cost
      soFar = goOn(path.length, soFar, offer)
      if (!soFar) return null
      path.push(offer)
      if (soFar.cost + toCome >= search.best) break
    }
    return soFar
  }

  /** Takes back what was gone on by, as far as a place. */
  function goBack(to: number): void {
    while (path.length > to) giveBack(path.pop()?.families ?? [])
  }

  /** Counts words in; false, and nothing counted, when one would stand too often. */
  function take(families: readonly number[]): boolean {
    for (let at = 0; at < families.length; at += 1) {
      const family = families[at] ?? 0
      const count = counts.add(family)
      if (count > (setting.describingFamilies.has(family) ? 1 : mostTimes)) {
        giveBack(families.slice(0, at + 1))
        return false
      }
    }
    return true
  }

  /** How many of a phrase's own words, just counted in, stand twice by now. */
  function saidAgain(families: readonly number[]): number {
    let again = 0
    for (const family of families) if (counts.of(family) > 1) again += 1
    return again
  }

  function giveBack(families: readonly number[]): void {
    for (const family of families) counts.add(family, -1)
  }

  function finish(cost: number, likeness: number | null): void {
    search.tried += 1
    if (cost + (likeness ?? 0) >= search.best) return
    const phrases = path.map(({ phrase }) => phrase)
    const asWhole = setting.costAsWhole(phrases, likeness)
    if (cost + asWhole >= search.best) return
    const chosen = chosenBy(phrases)
    if (!chosen || !setting.fits(chosen)) return
    search.best = cost + asWhole
    search.found = chosen
    search.choice = [...path]
  }

  /** A choice with its describing words; null when they do not go round. */
  function chosenBy(phrases: readonly ReadyPhrase[]): ChosenPart[] | null {
    const words = describingFor(0, [])
    if (!words) return null
    const chosen: ChosenPart[] = []
    let next = 0
    for (const [at, part] of parts.entries()) {
      const phrase = phrases[at]
      if (phrase) chosen.push({ part, phrase, describing: words.slice(next, (next += phrase.slots.length)) })
    }
    return chosen
  }

  /** Describing words for all slots of the path, each student's favourites first; null when they do not go round. */
  function describingFor(slot: number, words: string[]): string[] | null {
    const place = slotAt(slot)
    if (!place) return words
    for (const word of pool(place)) {
      const family = [familyNumber(word)]
      if (counts.of(family[0] ?? -1) > 0) continue
      take(family)
      const rest = describingFor(slot + 1, [...words, word])
      giveBack(family)
      if (rest) return rest
    }
    return null
  }

  function slotAt(slot: number): { phrase: ReadyPhrase; part: OpenPart; example: string } | null {
    let before = 0
    for (const [at, { phrase }] of path.entries()) {
      const part = parts[at]
      const example = phrase.slots[slot - before]
      if (part && example !== undefined && slot >= before) return { phrase, part, example }
      before += phrase.slots.length
    }
    return null
  }

  function pool({ phrase, part, example }: { phrase: ReadyPhrase; part: OpenPart; example: string }): string[] {
    const words =
      part.tier === null || part.uneven ? [example] : [...new Set([example, ...setting.describing[part.tier]])]
    return inOwnOrder(words, [setting.seed, phrase.id].join('\u0000'), (word) => word)
  }
}

/** Counts that are all at 0 again after a search, so that the next one needs no room anew. */
let spare: Tally | null = null

/** What is chosen so far: its cost, its least length, and how many sentences in a row begin with the student. */
interface SoFar {
  readonly cost: number
  readonly length: number
  readonly run: number
  readonly now: Joining
}

const atFirst: SoFar = { cost: 0, length: 0, run: 0, now: nothingJoined }

/** For each place, what all places after it take at least. */
function stillToCome(least: readonly number[]): number[] {
  return least.map((_, at) => least.slice(at + 1).reduce((sum, each) => sum + each, 0))
}

/** What sentences of one comment may name more than once. */
const oftenTold: ReadonlySet<FactName> = new Set<FactName>(['subject', 'term', 'skill', 'habit'])

/** Skills in their own words, of which a comment may have several. */
const ownWords: ReadonlySet<FactName> = new Set<FactName>(['does', 'do', 'doing'])

/**
 * All wordings of a part with their costs, fixed words and the words of the facts that they tell; the cheapest first.
 */
function offersOf(part: OpenPart, setting: ChoiceSetting): Offer[] {
  const told = new Map<FactName, number[]>()
  const familiesOf = (fact: FactName): number[] => {
    const known = told.get(fact) ?? familiesOfFact(fact, part.facts[fact]?.text ?? '')
    told.set(fact, known)
    return known
  }
  const costOf = wordingCosts(part, setting)
  return part.candidates
    .map((phrase): Offer => {
      const said =
        phrase.optional.length === 0
          ? phrase.optional
          : phrase.optional.filter(({ needs }) => needs.every((fact) => part.facts[fact] !== undefined))
      const facts = said.length === 0 ? phrase.needs : [...phrase.needs, ...said.flatMap(({ needs }) => needs)]
      const families =
        facts.length === 0
          ? phrase.families
          : [...phrase.families, ...flatMap(said, (each) => each.families), ...flatMap(facts, familiesOf)]
      return { phrase, cost: costOf(phrase), families }
    })
    .sort((a, b) => a.cost - b.cost || (a.phrase.id < b.phrase.id ? -1 : 1))
}

/** A fact's words; the fact itself counts for as often as a word may stand, so that none is told twice. */
function familiesOfFact(fact: FactName, words: string): number[] {
  // Skills of one subject share words by nature: what may not come twice is the same skills.
  const families = ownWords.has(fact) ? [] : contentWords(words).map(familyNumber)
  return oftenTold.has(fact)
    ? families
    : [...families, ...Array.from({ length: mostTimes }, () => familyNumber(`“${words}”`))]
}
