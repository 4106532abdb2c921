import type { DraftRequest } from './draftRequest'
import type { OpenPart } from './openPart'
import { openParts } from './openParts'
import type { DescribingWords, Phrase } from './phrase'
import { standingsFor } from './standingOfPart'

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
  // Whether it is said by itself or offered, it is tried.
  const tried = { ...phrase, claims: 'level' as const, subject: ofAny ? 'any' : (request.box.subject ?? 'general') }
  const alone = { phrases: [tried], describing }
  const plan = abouts.map((about) => ({ part: phrase.part, about, when: null, sharesSentence: false }))
  const { parts } = openParts(
    { ...request, avoid: new Set(), elsewhere: new Map(), box: { ...request.box, plan } },
    alone,
  )
  return parts.find(({ candidates }) => candidates.some(({ id }) => id === phrase.id)) ?? null
}
