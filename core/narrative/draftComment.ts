import type { Comparing } from './alike'
import type { Draft, LeftOut } from './because'
import { farUnder, wellFilled } from './boxes'
import { Classmates, phrasesIn } from './classmates'
import { chooseWordings, type CostOfLikeness } from './choose'
import { givesWayEarly } from './givesWay'
import { countGraphemes } from './graphemes'
import { partWith, type OpenPart } from './openPart'
import { openParts } from './openParts'
import type { DraftRequest, Wish } from './draftRequest'
import { indexPhrases } from './phraseIndex'
import type { Phrasebook } from './phrase'
import { referringBack } from './refersBack'
import { sayComment, sayText, type ChosenPart } from './sayComment'
import type { ReadyPhrase } from './readyPhrase'
import { alikeCost, weights } from './wordingCost'

/**
 * Writes one comment from the facts, or an empty one when the facts and the phrasebook have nothing to say together.
 * A part without facts or without a phrase is left out, and said to be; what remains reads whole. Parts are dropped
 * from the least needed on until a choice keeps every rule and fits the box.
 * @throws NotationError for a phrase that cannot be read
 */
export function draftComment(
  request: DraftRequest,
  phrasebook: Phrasebook,
  classmates: Classmates = new Classmates(),
): Draft {
  return compose(request, phrasebook, classmates).draft
}

/** A comment, with the wordings that were chosen for it. */
export interface Composed {
  readonly draft: Draft
  readonly chosen: readonly ChosenPart[]
  readonly asked: Asked
}

/** What its wordings are chosen by: a request without its facts, small enough to be kept as long as it is compared. */
interface Asked extends Pick<DraftRequest, 'subject' | 'box' | 'wish'> {
  /** Of the student, the box and the term. */
  readonly seed: string
  readonly standing: ReadonlySet<string>
  readonly elsewhere: ReadonlyMap<string, number>
}

function askedBy({ seed, subject, box, facts, wish, standing, elsewhere }: DraftRequest): Asked {
  return {
    // The term by name, not by id: the batch command and the application shall choose alike.
    seed: [seed, box.key, facts.termName].join('\u0000'),
    subject,
    box,
    wish,
    standing: standing ?? new Set(),
    elsewhere: elsewhere ?? new Map(),
  }
}

/** The same, beside what classmates have been given; with what was chosen. */
export function compose(request: DraftRequest, phrasebook: Phrasebook, classmates: Classmates): Composed {
  const opened = openParts(request, phrasebook)
  const asked = askedBy(request)
  const leftOut: LeftOut[] = [...opened.leftOut]
  let parts = held(opened.parts, request.wish)
  while (saysSomething(parts)) {
    const least = Math.max(...parts.map((part) => part.dispensable))
    const chosen = hasNoRoom(parts, request, least)
      ? null
      : chooseAmong(referringBack(parts), asked, phrasebook, classmates)
    const composed = chosen && said(chosen, asked, leftOut)
    if (composed) return composed
    const gone = parts.findLastIndex((part) => part.dispensable === least)
    leftOut.push(
      ...parts
        .slice(gone, gone + 1)
        .map(({ planned }): LeftOut => ({ part: planned.part, about: planned.about, why: 'there is no room' })),
    )
    parts = parts.filter((_, at) => at !== gone)
  }
  return { draft: { text: '', sentences: [], leftOut }, chosen: [], asked }
}

/** The same told in the words that are best beside what classmates have by now; as it was where there are none. */
export function composeAgain(before: Composed, phrasebook: Phrasebook, classmates: Classmates): Composed {
  const { asked } = before
  const parts = before.chosen.map(({ part }) => part)
  const chosen = chooseAmong(parts, asked, phrasebook, classmates)
  return (chosen && said(chosen, asked, before.draft.leftOut)) ?? before
}

/** A choice put into sentences; null where they are too many and one of them is not needed. */
function said(chosen: readonly ChosenPart[], asked: Asked, leftOut: readonly LeftOut[]): Composed | null {
  const { text, sentences } = sayComment(chosen, asked.subject)
  return runsOn(chosen, sentences.length, asked) ? null : { draft: { text, sentences, leftOut }, chosen, asked }
}

/** Not in a classmate's very words, if there are others. */
function chooseAmong(
  parts: readonly OpenPart[],
  asked: Asked,
  phrasebook: Phrasebook,
  classmates: Classmates,
): ChosenPart[] | null {
  return (
    choose(parts, asked, phrasebook, { classmates, mayRepeat: false }) ??
    choose(parts, asked, phrasebook, { classmates, mayRepeat: true })
  )
}

/** What is not needed gives way before everything else is squeezed into its shortest words. */
function hasNoRoom(parts: readonly OpenPart[], { box, wish }: DraftRequest, least: number): boolean {
  if (least < givesWayEarly || wish) return false
  const usual = parts.reduce((sum, { candidates }) => sum + usualLength(candidates), 0)
  return usual > box.limit
}

/** A box is read in so many sentences; more are said only for what is needed, and where somebody asks for more. */
const mostSentences = 6

/** Whether a comment gives up what is not needed of it. One that stands is not cut, nor one that was made longer. */
function runsOn(chosen: readonly ChosenPart[], sentences: number, { wish, standing }: Asked): boolean {
  if (!chosen.some(({ part }) => part.dispensable >= givesWayEarly)) return false
  const isAsked = wish?.atLeast !== undefined || wish?.held !== undefined
  return sentences > mostSentences && !isAsked && !chosen.every(({ phrase }) => standing.has(phrase.id))
}

function usualLength(candidates: readonly ReadyPhrase[]): number {
  return candidates.reduce((sum, each) => sum + each.leastLength, 0) / Math.max(1, candidates.length)
}

/** A comment that speaks of nothing in particular is none. */
function saysSomething(parts: readonly OpenPart[]): boolean {
  return parts.some((part) => part.planned.about !== 'any')
}

function held(parts: readonly OpenPart[], wish: Wish | undefined): OpenPart[] {
  return parts.map((part) => {
    const ids = part.keys.map((key) => wish?.held?.get(key)).find((held) => held !== undefined)
    const candidates = ids ? part.candidates.filter((phrase) => ids.has(phrase.id)) : []
    return candidates.length > 0 ? partWith(part, { candidates }) : part
  })
}

function choose(
  parts: readonly OpenPart[],
  { seed, subject, box, wish, standing, elsewhere }: Asked,
  phrasebook: Phrasebook,
  { classmates, mayRepeat }: { classmates: Classmates; mayRepeat: boolean },
): ChosenPart[] | null {
  const most = Math.min(box.limit, wish?.atMost ?? box.limit)
  const least = wish?.atLeast ?? 0
  const { texts } = classmates
  return chooseWordings(parts, {
    seed,
    usage: classmates.usage,
    tone: box.tone,
    subject: box.subject,
    namedOnly: subject.pronouns === 'name only',
    idealLength: Math.max(least, most * wellFilled) / parts.length,
    shown: wish?.shown ?? new Map(),
    standing,
    elsewhere,
    heard: texts,
    describing: phrasebook.describing,
    // The first sentence has no gap before it.
    atMost: most + 1,
    describingFamilies: indexPhrases(phrasebook).describingFamilies,
    costAsWhole,
    // What stands may stay, whatever it shares.
    costOfLikeness: texts === null || standing.size > 0 ? null : costBeside(texts.comparing()),
    fits,
  })

  function costAsWhole(phrases: readonly ReadyPhrase[], likeness: number | null): number {
    // A draft that stands stays, whatever is said of others since.
    const stands = phrases.every(({ id }) => standing.has(id))
    if (stands) return 0
    const alike = likeness ?? (texts === null ? 0 : alikeCost(texts.mostAlike(phrases)))
    return (isForgotten(phrases) ? weights.veryShort : 0) + alike
  }

  function isForgotten(phrases: readonly ReadyPhrase[]): boolean {
    return phrases.reduce((sum, { leastLength }) => sum + leastLength, 0) < box.limit * farUnder
  }

  function fits(candidate: readonly ChosenPart[]): boolean {
    if (!mayRepeat && classmates.have(phrasesIn(candidate))) return false
    if (least === 0 && !mayBeLonger(candidate, most)) return true
    const length = countGraphemes(sayText(candidate, subject))
    return length <= most && length >= least
  }

  /** Whether a text could be longer than so much: most could not, and need not be said to know it. */
  function mayBeLonger(candidate: readonly ChosenPart[], most: number): boolean {
    const person = Math.max(subject.name.length, longestPronoun) + 2
    const longest = candidate.reduce((sum, { part, phrase }) => {
      const facts = phrase.needs.reduce((length, fact) => length + (part.facts[fact]?.text.length ?? 0), 0)
      return sum + phrase.leastLength + (phrase.namings + 1) * person + facts + verbsGrow
    }, 0)
    return longest > most || candidate.some(({ phrase }) => phrase.optional.length > 0 || phrase.slots.length > 0)
  }
}

function costBeside(texts: Comparing): CostOfLikeness {
  return {
    beside: (others) => texts.beside(others),
    exactly: (phrase) => alikeCost(texts.exactly(phrase)),
    atLeast: (phrase) => alikeCost(texts.atLeast(phrase)),
  }
}

const longestPronoun = 10

/** By so much a sentence's verbs may grow from "is" to "are", its article from "a" to "an". */
const verbsGrow = 12
