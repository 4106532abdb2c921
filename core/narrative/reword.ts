import type { Draft, DraftSentence } from './because'
import type { Classmates } from './classmates'
import type { DraftRequest } from './draftRequest'
import { draftComment } from './draftComment'
import { countGraphemes } from './graphemes'
import type { Phrasebook } from './phrase'

/** What a teacher may ask of a comment that stands. */
export type Rewording = 'another' | 'shorter' | 'longer'

/** What there is to say, and what the teacher has seen of it. */
export interface WordingsToTry {
  readonly phrasebook: Phrasebook
  /** How often each phrase has been shown to the teacher here; those of the text that stands are among them. */
  readonly shown: ReadonlyMap<string, number>
}

/** By how much a text must at least change its length to count as shorter or longer. */
const step = 0.1

/**
 * The next best wording of a whole comment: another one, or one that is shorter or longer, within the box's limit.
 * @returns null when the phrasebook has no such wording
 */
export function rewordComment(
  request: DraftRequest,
  standing: Pick<Draft, 'text' | 'sentences'>,
  rewording: Rewording,
  { phrasebook, shown, classmates }: WordingsToTry & { classmates?: Classmates },
): Draft | null {
  const length = countGraphemes(standing.text)
  const difference = Math.max(12, Math.floor(length * step + 0.5))
  const wish =
    rewording === 'another'
      ? { shown }
      : rewording === 'shorter'
        ? { atMost: length - difference }
        : { atLeast: length + difference }
  const draft = draftComment({ ...request, standing: new Set(), wish }, phrasebook, classmates)
  return draft.text === '' || draft.text === standing.text ? null : draft
}

/**
 * The next best wording of one sentence, the others held as they are. What the teacher has changed elsewhere stays.
 * @returns the whole text with that sentence exchanged, or null when there is no other wording of it
 */
export function rewordSentence(
  request: DraftRequest,
  standing: Pick<Draft, 'text' | 'sentences'>,
  which: number,
  { phrasebook, shown }: WordingsToTry,
): Pick<Draft, 'text' | 'sentences'> | null {
  const sentence = standing.sentences[which]
  if (!sentence || sentence.parts.length === 0) return null
  const held = new Map(
    standing.sentences.flatMap((each, at) =>
      at === which ? [] : each.parts.map((part): [string, ReadonlySet<string>] => [part, new Set(each.phraseIds)]),
    ),
  )
  // The exchanged sentence may grow by what the box has left.
  const room =
    request.box.limit -
    countGraphemes(standing.text) +
    countGraphemes(standing.text.slice(sentence.start, sentence.end))
  const draft = draftComment({ ...request, wish: { held, shown } }, phrasebook)
  const found = draft.sentences.filter((each) => each.parts.some((part) => sentence.parts.includes(part)))
  const words = found.map((each) => each.composed).join(' ')
  if (words === '' || words === sentence.composed || countGraphemes(words) > room) return null
  return exchange(standing, which, found)
}

/** A text in which one sentence is exchanged for others, with the places of all that follow moved along. */
export function exchange(
  standing: Pick<Draft, 'text' | 'sentences'>,
  which: number,
  found: readonly DraftSentence[],
): Pick<Draft, 'text' | 'sentences'> {
  const sentence = standing.sentences[which]
  if (!sentence) return standing
  let at = sentence.start
  const placed = found.map((each): DraftSentence => {
    const start = at
    at += each.composed.length + 1
    return { ...each, start, end: start + each.composed.length }
  })
  const words = found.map((each) => each.composed).join(' ')
  const moved = words.length - (sentence.end - sentence.start)
  return {
    text: standing.text.slice(0, sentence.start) + words + standing.text.slice(sentence.end),
    sentences: standing.sentences.flatMap((each, index) =>
      index === which
        ? placed
        : [each.start >= sentence.end ? { ...each, start: each.start + moved, end: each.end + moved } : each],
    ),
  }
}
