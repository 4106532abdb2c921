import type { DraftSentence, LeftOut } from './because'
import type { DraftRequest } from './draftRequest'
import { draftComment } from './draftComment'
import { openParts } from './openParts'
import type { Phrasebook } from './phrase'
import { partKey } from './plan'

/** A part of the plan about which a comment says nothing, though it applies to the student. */
export interface Unsaid extends Omit<LeftOut, 'why'> {
  readonly why: Exclude<LeftOut['why'], 'it does not apply'> | 'it can be said by now'
}

/**
 * What the plan of a box would have a comment say and the comment does not, with the reason. What the teacher took out
 * is still among the sentences and is not told here.
 */
export function unsaidParts(
  sentences: readonly DraftSentence[],
  request: DraftRequest,
  phrasebook: Phrasebook,
): Unsaid[] {
  const said = new Set(sentences.flatMap((sentence) => sentence.parts))
  const { parts, leftOut } = openParts(request, phrasebook)
  const without = leftOut.flatMap(({ part, about, why }): Unsaid[] =>
    why === 'it does not apply' || said.has(partKey({ part, about })) ? [] : [{ part, about, why }],
  )
  const waiting = parts.filter(({ keys, within }) => ![...keys, ...within].some((key) => said.has(key)))
  if (waiting.length === 0) return without
  const noRoom = new Set(
    draftComment(request, phrasebook)
      .leftOut.filter(({ why }) => why === 'there is no room')
      .map(partKey),
  )
  return [
    ...without,
    ...waiting.map(({ keys, planned }): Unsaid => ({
      part: planned.part,
      about: planned.about,
      why: keys.some((key) => noRoom.has(key)) ? 'there is no room' : 'it can be said by now',
    })),
  ]
}
