import type { DraftRequest } from './draftRequest'
import type { OpenPart } from './openPart'
import { openParts, standingsFor } from './openParts'
import type { DescribingWords, Phrase } from './phrase'

/**
 * Where one phrase could be said of a student in this box, whatever else the phrasebook has: the part it would say,
 * with the facts that it would tell; null where the student's levels, moves, grade or facts do not allow it.
 */
export function tryPhrase(phrase: Phrase, request: DraftRequest, describing: DescribingWords): OpenPart | null {
  const abouts =
    phrase.about !== 'any' || phrase.part === 'opening' || phrase.part === 'closing'
      ? [phrase.about]
      : [...standingsFor(phrase.part, request.box.subject, request.facts).map((standing) => standing.about), 'mark']
  // What tells any strand or habit by its own words is looked for under no subject.
  const ofAny = phrase.about === 'any' && (phrase.part === 'outcome' || phrase.part === 'habit')
  const alone = { phrases: [{ ...phrase, subject: ofAny ? 'any' : (request.box.subject ?? 'general') }], describing }
  const plan = abouts.map((about) => ({ part: phrase.part, about, when: null, sharesSentence: false }))
  return openParts({ ...request, avoid: new Set(), box: { ...request.box, plan } }, alone).parts[0] ?? null
}
