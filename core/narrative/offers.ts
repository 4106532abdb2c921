import type { DraftSentence } from './because'
import type { DraftRequest } from './draftRequest'
import { offeredParts } from './openParts'
import type { Phrasebook } from './phrase'
import { preference } from './preference'
import { sayComment } from './sayComment'

/** A sentence that only somebody who has seen it can say; taken, it is a sentence of the comment like any other. */
export interface Offer {
  /** The part of the plan that it would say more of. */
  readonly part: string
  readonly sentence: Pick<DraftSentence, 'composed' | 'parts' | 'phraseIds' | 'because'>
}

/** So many are offered for a part. */
const mostOfPart = 2

/**
 * What the phrasebook has to say of this student beyond what the record bears out, as it would read after the name was
 * said: a habit seen, a scene, a word like "always". Nothing of it is said by itself.
 * @param used phrases that stand in the comment already
 */
export function offersFor(request: DraftRequest, phrasebook: Phrasebook, used: ReadonlySet<string>): Offer[] {
  return offeredParts(request, phrasebook).flatMap((part) =>
    part.candidates
      .filter(({ id }) => !used.has(id) && !request.avoid?.has(id))
      .toSorted((a, b) => preference(request.seed, a.id) - preference(request.seed, b.id))
      .slice(0, mostOfPart)
      .flatMap((phrase): Offer[] => {
        const [sentence] = sayComment([{ part, phrase, describing: phrase.slots }], request.subject).sentences
        return sentence ? [{ part: part.keys[0] ?? '', sentence }] : []
      }),
  )
}
