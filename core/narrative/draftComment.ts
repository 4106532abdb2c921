import type { Draft, LeftOut } from './because'
import { chooseWordings } from './choose'
import { countGraphemes } from './graphemes'
import { openParts, type OpenPart } from './openParts'
import type { DraftRequest, Wish } from './draftRequest'
import { indexPhrases } from './phraseIndex'
import type { Phrasebook } from './phrase'
import { sayComment, sayText, type ChosenPart } from './sayComment'
import { usageKey, type CostSetting, type Usage } from './wordingCost'

/** How full a box should be for its text to look right; ours. */
const wellFilled = 0.8

/**
 * Writes the comments of a class for one box, in the order of the class list. Deterministic: the same requests and
 * phrasebook give the same texts. No two students get the very same sentences while another choice is left.
 * @param given phrases already used by classmates whose texts stand, with how often
 */
export function draftClass(
  requests: readonly DraftRequest[],
  phrasebook: Phrasebook,
  given: Usage = new Map(),
): Draft[] {
  const usage = new Map(given)
  const taken = new Set<string>()
  const count = (key: string): unknown => usage.set(key, (usage.get(key) ?? 0) + 1)
  return requests.map((request) => {
    const { draft, chosen } = compose(request, phrasebook, usage, taken)
    for (const { phrase, part } of chosen) {
      count(usageKey(phrase.id))
      if (part.tier) count(usageKey(phrase.id, part.tier))
    }
    taken.add(idsOf(chosen))
    return draft
  })
}

/**
 * Writes one comment from the facts, or an empty one when the facts and the phrasebook have nothing to say together.
 * A part without facts or without a phrase is left out, and said to be; what remains reads whole. Parts are dropped
 * from the least needed on until a choice keeps every rule and fits the box.
 * @throws NotationError for a phrase that cannot be read
 */
export function draftComment(request: DraftRequest, phrasebook: Phrasebook, usage: Usage = new Map()): Draft {
  return compose(request, phrasebook, usage, new Set()).draft
}

interface Composed {
  readonly draft: Draft
  readonly chosen: readonly ChosenPart[]
}

/** @param taken phrase ids, joined by spaces, of whole comments that classmates have */
function compose(request: DraftRequest, phrasebook: Phrasebook, usage: Usage, taken: ReadonlySet<string>): Composed {
  const opened = openParts(request, phrasebook)
  const leftOut: LeftOut[] = [...opened.leftOut]
  let parts = held(opened.parts, request.wish)
  while (saysSomething(parts)) {
    const chosen =
      choose(parts, request, phrasebook, { usage, taken }) ??
      (taken.size > 0 ? choose(parts, request, phrasebook, { usage, taken: new Set() }) : null)
    if (chosen) return { draft: { ...sayComment(chosen, request.subject), leftOut }, chosen }
    const least = Math.max(...parts.map((part) => part.dispensable))
    const gone = parts.findLastIndex((part) => part.dispensable === least)
    leftOut.push(
      ...parts
        .slice(gone, gone + 1)
        .map(({ planned }): LeftOut => ({ part: planned.part, about: planned.about, why: 'there is no room' })),
    )
    parts = parts.filter((_, at) => at !== gone)
  }
  return { draft: { text: '', sentences: [], leftOut }, chosen: [] }
}

function idsOf(chosen: readonly ChosenPart[]): string {
  return chosen.map(({ phrase }) => phrase.id).join(' ')
}

/** A comment that speaks of nothing in particular is none. */
function saysSomething(parts: readonly OpenPart[]): boolean {
  return parts.some((part) => part.planned.about !== 'any')
}

function held(parts: readonly OpenPart[], wish: Wish | undefined): OpenPart[] {
  return parts.map((part) => {
    const ids = part.keys.map((key) => wish?.held?.get(key)).find((held) => held !== undefined)
    const candidates = ids ? part.candidates.filter((phrase) => ids.has(phrase.id)) : []
    return candidates.length > 0 ? { ...part, candidates } : part
  })
}

function choose(
  parts: readonly OpenPart[],
  request: DraftRequest,
  phrasebook: Phrasebook,
  { usage, taken }: { usage: Usage; taken: ReadonlySet<string> },
): ChosenPart[] | null {
  const { box, wish } = request
  const most = Math.min(box.limit, wish?.atMost ?? box.limit)
  const least = wish?.atLeast ?? 0
  const setting: CostSetting = {
    // The term by name, not by id: the batch command and the application shall choose alike.
    seed: [request.seed, box.key, request.facts.termName].join('\u0000'),
    usage,
    tone: box.tone,
    subject: box.subject,
    namedOnly: request.subject.pronouns === 'name only',
    idealLength: Math.max(least, most * wellFilled) / parts.length,
    shown: wish?.shown ?? new Map(),
    standing: request.standing ?? new Set(),
  }
  return chooseWordings(parts, {
    ...setting,
    describing: phrasebook.describing,
    describingFamilies: indexPhrases(phrasebook).describingFamilies,
    mayBe,
  })

  function mayBe(candidate: readonly ChosenPart[]): boolean {
    if (taken.has(idsOf(candidate))) return false
    const length = countGraphemes(sayText(candidate, request.subject))
    return length <= most && length >= least
  }
}
