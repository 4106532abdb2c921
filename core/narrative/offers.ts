import type { Draft, DraftSentence } from './because'
import type { DraftRequest } from './draftRequest'
import { exchange } from './reword'
import type { OpenPart } from './openPart'
import { offeredParts } from './openParts'
import type { Phrasebook } from './phrase'
import { inOwnOrder } from './preference'
import { sayComment } from './sayComment'
import { keyOfFact } from './told/toldParts'

/** A sentence that only somebody who has seen it can say; taken, it is a sentence of the comment like any other. */
export interface Offer {
  readonly phraseId: string
  readonly sentence: DraftSentence
  /** What it goes beside: the sentences that tell any of these. */
  readonly beside: readonly string[]
}

/** So many are offered of one strand or habit. */
const mostOfPart = 3

/**
 * What the phrasebook has to say of this student beyond what the record bears out: a habit seen, a scene, a word like
 * "always". Nothing of it is said by itself. One of each strand or habit first, then a second of each.
 * @param used phrases that stand in the comment already
 */
export function offersFor(request: DraftRequest, phrasebook: Phrasebook, used: ReadonlySet<string>): Offer[] {
  const byPart = offeredParts(request, phrasebook).map((part) =>
    inOwnOrder(
      part.candidates.filter(({ id }) => !used.has(id)),
      request.seed,
      ({ id }) => id,
    )
      .slice(0, mostOfPart)
      .flatMap((phrase): Offer[] => {
        const [sentence] = sayComment([{ part, phrase, describing: phrase.slots }], request.subject).sentences
        return sentence ? [{ phraseId: phrase.id, sentence, beside: besideOf(part, request) }] : []
      }),
  )
  return Array.from({ length: mostOfPart }, (_, nth) => byPart.flatMap((offers) => offers[nth] ?? [])).flat()
}

function besideOf({ planned, keys }: OpenPart, { facts }: DraftRequest): string[] {
  const about = facts.rated.filter((fact) => fact.strand === planned.about || fact.about === planned.about)
  return [...keys, ...about.map(keyOfFact)]
}

/**
 * A comment with an offered sentence in it: right after the last sentence that tells of the same, else at the end.
 * @example withOffer({ text: 'Maya reads.', sentences }, offer) // 'Maya reads. Maya asks for the next book.'
 */
export function withOffer(
  standing: Pick<Draft, 'text' | 'sentences'>,
  { sentence, beside }: Offer,
): Pick<Draft, 'text' | 'sentences'> {
  const at = standing.sentences.findLastIndex(
    ({ parts, start, end }) => end > start && parts.some((part) => beside.includes(part)),
  )
  const before = standing.sentences[at]
  if (before) {
    const own = { ...before, composed: standing.text.slice(before.start, before.end) }
    const { text, sentences } = exchange(standing, at, [own, sentence])
    return {
      text,
      sentences: sentences.map((each, nth) => (nth === at ? { ...each, composed: before.composed } : each)),
    }
  }
  const text = standing.text.trimEnd()
  const start = text === '' ? 0 : text.length + 1
  return {
    text: text === '' ? sentence.composed : `${text} ${sentence.composed}`,
    sentences: [...standing.sentences, { ...sentence, start, end: start + sentence.composed.length }],
  }
}
