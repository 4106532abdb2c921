import type { Because, Draft, DraftSentence, SkillsInAll } from './because'
import type { DraftRequest } from './draftRequest'
import { draftComment } from './draftComment'
import { fidelity } from './followEdits'
import { isOfOtherSubject } from './ofSubjects'
import { factsOfStanding } from './openParts'
import type { Phrasebook } from './phrase'
import { lookedAt } from './told/littleKnown'
import { reasons } from './told/toldParts'

/** A sentence whose facts have changed since it was written. */
export interface StaleSentence {
  /** Its place among the comment's sentences. */
  readonly at: number
  /** What it was written from, where that no longer holds. */
  readonly then: readonly Because[]
  /** The same facts today; empty where nothing is settled any more. */
  readonly now: readonly Because[]
}

/** One stretch of a proposed text. */
export type Proposed =
  | { kind: 'kept'; text: string }
  | { kind: 'new'; text: string; instead: string }
  | { kind: 'removed'; instead: string }
  | { kind: 'conflict'; mine: string; proposed: string }

export interface Proposal {
  readonly stale: readonly StaleSentence[]
  readonly pieces: readonly Proposed[]
  /** The new text with its sentences, when no piece is in conflict. */
  readonly merged: Pick<Draft, 'text' | 'sentences'> | null
  /** The same with the new sentence in place of the teacher's own in each conflict: for the teacher to choose. */
  readonly overMine: Pick<Draft, 'text' | 'sentences'>
}

/**
 * The sentences of a comment that no longer hold: one of the facts that chose them stands at another tier today, says
 * something else in the sentence itself (a result, a trend, days of attendance), or is not settled any more.
 * A mark that moved within its level does not put a sentence out of step.
 *
 * @example staleSentences(sentences, requestAfterALevelRose) // the one that told the old level
 */
export function staleSentences(sentences: readonly DraftSentence[], request: DraftRequest): StaleSentence[] {
  const today = factsToday(request)
  const hidden = hiddenFrom(sentences, request)
  return sentences.flatMap((sentence, at) => {
    const then = sentence.because.filter(
      (because) => because.kind !== 'always' && !hidden(because) && !stillHolds(because, today),
    )
    const now = then.flatMap((because) => today.get(keyOf(because)) ?? [])
    return then.length === 0 ? [] : [{ at, then, now }]
  })
}

/**
 * What whoever asks cannot know: reasons of a kind that is kept from them, and of a general comment those of subjects
 * that they do not read, with the notes, which are not sent with them.
 */
function hiddenFrom(sentences: readonly DraftSentence[], { facts }: DraftRequest): (because: Because) => boolean {
  const subjects = facts.whole?.subjects
  const isOther = (because: Because): boolean => subjects !== undefined && isOfOtherSubject(because, subjects)
  const isNarrow = sentences.some(({ because }) => because.some(isOther))
  const isOfHabit = ({ kind, about }: Because): boolean =>
    kind === 'trend' && about !== 'mark' && !facts.standings.some((standing) => standing.about === about)
  return (because) =>
    isOther(because) ||
    (isNarrow && because.kind === 'note') ||
    (facts.unseen?.has(because.kind) ?? false) ||
    ((facts.unseen?.has('habit') ?? false) && isOfHabit(because))
}

/**
 * What the comment should say today, with the teacher's own words kept: a sentence in step stays as it stands; one out
 * of step that the teacher has not touched gives way to the new one; one that the teacher has changed is a conflict,
 * and both are shown. Words between the sentences are the teacher's and stay.
 * @returns null when every sentence is in step
 */
export function proposeInStep(
  text: string,
  sentences: readonly DraftSentence[],
  request: DraftRequest,
  phrasebook: Phrasebook,
): Proposal | null {
  const stale = staleSentences(sentences, request)
  if (stale.length === 0) return null
  const isStale = new Set(stale.map(({ at }) => at))
  const held = new Map(
    sentences.flatMap((each, at) =>
      isStale.has(at) ? [] : each.parts.map((part): [string, ReadonlySet<string>] => [part, new Set(each.phraseIds)]),
    ),
  )
  const draft = draftComment({ ...request, wish: { held } }, phrasebook)
  const kept = mergeDraft(text, { sentences, isStale }, draft, 'mine')
  const conflicts = kept.pieces.some((piece) => piece.kind === 'conflict')
  return {
    stale,
    pieces: kept.pieces,
    merged: conflicts ? null : kept.merged,
    overMine: mergeDraft(text, { sentences, isStale }, draft, 'proposed').merged,
  }
}

/**
 * Three ways: the sentences as composed, as they stand now, and the new draft's.
 * @param inConflict what stands where the teacher has changed a sentence that no longer holds
 */
function mergeDraft(
  text: string,
  { sentences, isStale }: { sentences: readonly DraftSentence[]; isStale: ReadonlySet<number> },
  draft: Draft,
  inConflict: 'mine' | 'proposed',
): { pieces: Proposed[]; merged: Pick<Draft, 'text' | 'sentences'> } {
  const pieces: Proposed[] = []
  const merged: DraftSentence[] = []
  let made = ''
  let from = 0
  const told = new Set<DraftSentence>()
  sentences.forEach((sentence, at) => {
    keep(text.slice(from, sentence.start))
    from = sentence.end
    const now = text.slice(sentence.start, sentence.end)
    if (!isStale.has(at)) {
      draft.sentences.filter((each) => sharesPart(each, sentence)).forEach((each) => told.add(each))
      place(now, [sentence])
      return
    }
    const fresh = draft.sentences.filter((each) => sharesPart(each, sentence) && !told.has(each))
    fresh.forEach((each) => told.add(each))
    exchangeStale(sentence, now, fresh)
  })
  keep(text.slice(from))
  return { pieces, merged: tidied(made, merged) }

  function keep(words: string): void {
    if (words === '') return
    pieces.push({ kind: 'kept', text: words })
    made += words
  }

  function place(words: string, from: readonly DraftSentence[]): void {
    const [only] = from
    if (words !== '') pieces.push({ kind: 'kept', text: words })
    if (only) merged.push({ ...only, start: made.length, end: made.length + words.length })
    made += words
  }

  function exchangeStale(sentence: DraftSentence, now: string, fresh: readonly DraftSentence[]): void {
    const proposed = fresh.map((each) => each.composed).join(' ')
    const state = fidelity(sentence, text)
    if (state !== 'as composed' && inConflict === 'mine') {
      // The teacher has changed it or taken it out: nobody but the teacher can say what is right now.
      pieces.push({ kind: 'conflict', mine: now, proposed })
      merged.push({ ...sentence, start: made.length, end: made.length + now.length })
      made += now
      return
    }
    pieces.push(proposed === '' ? { kind: 'removed', instead: now } : { kind: 'new', text: proposed, instead: now })
    for (const each of fresh) {
      const start = made.length + (each === fresh[0] ? 0 : 1)
      made += (each === fresh[0] ? '' : ' ') + each.composed
      merged.push({ ...each, start, end: start + each.composed.length })
    }
  }
}

/** A removed sentence leaves two spaces behind, or one at an end. */
function tidied(text: string, sentences: readonly DraftSentence[]): Pick<Draft, 'text' | 'sentences'> {
  let made = ''
  const places: number[] = []
  for (const character of text) {
    const dropped = character === ' ' && (made === '' || made.endsWith(' '))
    for (let unit = 0; unit < character.length; unit += 1) places.push(made.length + (dropped ? 0 : unit))
    if (!dropped) made += character
  }
  const end = made.trimEnd()
  places.push(end.length)
  const moved = (at: number): number => Math.min(places[at] ?? end.length, end.length)
  return {
    text: end,
    sentences: sentences.map((each) => ({ ...each, start: moved(each.start), end: moved(each.end) })),
  }
}

function sharesPart(a: DraftSentence, b: DraftSentence): boolean {
  return a.parts.some((part) => b.parts.includes(part))
}

/** Every fact of today by what it is a fact of. */
function factsToday({ facts }: DraftRequest): Map<string, Because> {
  const standings = [...facts.standings, ...(facts.mark ? [facts.mark] : [])]
  const all = [
    ...standings.flatMap((standing) => [
      ...standing.because,
      ...Object.values(factsOfStanding(standing)).flatMap((fact) => fact.because ?? []),
    ]),
    ...Object.values(facts.sayable).flatMap((fact) => fact.because ?? []),
    ...facts.rated.flatMap((fact) => reasons(fact, facts)),
    ...facts.notes.map(({ because }) => because),
    ...(facts.whole?.best ?? []).flatMap(({ because }) => because ?? []),
    ...reasonsOfWhole(facts.whole?.skills ?? null),
    lookedAt(facts),
  ]
  return new Map(all.map((because) => [keyOf(because), because]))
}

function reasonsOfWhole(skills: SkillsInAll | null): Because[] {
  return skills ? [skills.because, skills.becauseOfSecure, skills.becauseOfStrong] : []
}

function keyOf({ kind, about }: Because): string {
  return `${kind}\u0000${about}`
}

function stillHolds(then: Because, today: ReadonlyMap<string, Because>): boolean {
  const now = today.get(keyOf(then))
  if (!now) return false
  // What chose by its level holds while the level does, and what is told word for word while the words do; where those
  // name something that may be called otherwise tomorrow, while its value does.
  if (then.tier !== null) return now.tier === then.tier
  return then.value === undefined ? now.text === then.text : now.value === then.value
}
