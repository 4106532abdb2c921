import { tierRank } from '../../scales/tier'
import type { Because, NarrativeFacts, RatedFact } from '../because'
import type { DraftRequest } from '../draftRequest'
import type { OpenPart } from '../openParts'
import type { Phrase } from '../phrase'
import { familyNumber } from '../familyNumber'
import { partKey, type PlannedPart } from '../plan'
import { readyPhrase, type ReadyPhrase } from '../readyPhrase'
import { contentWords } from '../wordFamily'
import { movedBy, planTold, type Telling } from './planTold'
import { wordingsOf, type ToldWording } from './sayTold'

/**
 * What a plan has said of skills and habits by their own words: a part for each sentence, with every true wording.
 * @param planned the parts of the plan by which these facts are told
 */
export function toldParts(
  rated: readonly RatedFact[],
  planned: readonly PlannedPart[],
  { facts, box }: DraftRequest,
): OpenPart[] {
  const [first] = planned
  if (!first) return []
  const { termBefore, skillsInAll, sayable } = facts
  const setting = { subject: sayable.subject?.text ?? null, termBefore, of: skillsInAll }
  return planTold(rated).flatMap((telling): OpenPart[] => {
    const tier = telling.facts.map(({ level }) => level.tier).toSorted((a, b) => tierRank(a) - tierRank(b))[0]
    const wordings = wordingsOf(telling, setting)
    if (!tier || wordings.length === 0) return []
    return [
      {
        keys: [...planned.filter((part) => speaksOf(part, telling)).map(partKey), ...telling.facts.map(keyOfFact)],
        planned: first,
        candidates: wordings.map((wording) => phraseOf(wording, box.subject)),
        ...{ facts: {}, words: {}, tier },
        uneven: telling.relation === 'strength and difficulty',
        because: telling.facts.flatMap((fact) => reasons(fact, facts)),
        dispensable: 1,
      },
    ]
  })
}

/** How a fact is known among the parts of a sentence: "skill m1", "habit care". */
export function keyOfFact({ kind, about }: Pick<RatedFact, 'kind' | 'about'>): string {
  return `${kind} ${about}`
}

function speaksOf({ about }: PlannedPart, { facts }: Telling): boolean {
  return facts.some((fact) => about === fact.strand || about === fact.about)
}

/** What a told fact rests on: its level, and where it moved the level of the term before. */
export function reasons(
  fact: RatedFact,
  { termId, termBefore }: Pick<NarrativeFacts, 'termId' | 'termBefore'>,
): Because[] {
  const { because, before } = fact
  if (movedBy(fact) === 0 || !before) return [because]
  const text = `${because.text}; ${before.symbol} in the ${termBefore ?? 'term before'}`
  return [because, { kind: 'trend', about: because.about, text, tier: null, termId }]
}

const phrases = new Map<string, ReadyPhrase>()

/** A wording as a phrase of nobody's book; the same words are read once. */
function phraseOf({ id, text }: ToldWording, subject: string | null): ReadyPhrase {
  const key = `${subject ?? ''}\u0000${id}\u0000${text}`
  const known = phrases.get(key)
  if (known) return known
  const phrase: Phrase = {
    ...{ id, text, subject: subject ?? 'general', part: 'outcome', about: 'any' },
    ...{ tiers: [], uneven: false, moves: [], claims: 'level', tone: '', grades: null, owner: null },
  }
  // The skills' own words come as often as the record has them: what may not come again is the manner.
  const made = { ...readyPhrase(phrase), families: contentWords(id.replace(/^told /, '')).map(familyNumber) }
  phrases.set(key, made)
  return made
}

const month = new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' })

/** The latest note that may be told, as a sentence of its own: "In March {they} read {their} poem aloud". */
export function notePart(planned: PlannedPart, { facts, box }: DraftRequest): OpenPart[] {
  const [note] = facts.notes
  if (!note) return []
  const when = month.format(new Date(`${note.date}T00:00:00Z`))
  const wordings = [{ id: 'told note', text: `In ${when} {they} ${note.told}` }]
  return [
    {
      ...{ keys: [`note ${note.id}`], planned, facts: {}, words: {}, tier: null, uneven: false },
      candidates: wordings.map((each) => phraseOf(each, box.subject)),
      because: [note.because],
      dispensable: 2,
    },
  ]
}
