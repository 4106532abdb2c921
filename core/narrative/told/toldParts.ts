import { tierRank } from '../../scales/tier'
import type { Because, NarrativeFacts, RatedFact } from '../because'
import type { DraftRequest } from '../draftRequest'
import { familyNumber } from '../familyNumber'
import type { OpenPart } from '../openParts'
import type { Phrase } from '../phrase'
import { partKey, type PlannedPart } from '../plan'
import { readyPhrase, type ReadyPhrase } from '../readyPhrase'
import { contentWords } from '../wordFamily'
import { littleKnownTold } from './littleKnown'
import { planTold, type Telling } from './planTold'
import { wordingsOf } from './sayTold'
import type { ToldSetting, ToldWording } from './toldWording'
import { bestSubjectsTold, movesTold, type ToldFact } from './wholeTold'

/** How readily what is told gives way when the limit is tight: the middle before the first, the lowest last of all. */
const firstOrLast = 1
const lowest = 0.8
const inTheMiddle = 3.5

/**
 * What a plan has said of skills and habits by their own words: a part for each sentence, with every true wording.
 * @param planned the parts of the plan by which these facts are told
 */
export function toldParts(
  rated: readonly RatedFact[],
  planned: readonly PlannedPart[],
  request: DraftRequest,
): OpenPart[] {
  const [first] = planned
  if (!first) return []
  const { facts } = request
  const setting = settingOf(request)
  const parts = planTold(rated, request.seed).flatMap((telling): OpenPart[] => {
    const tier = telling.facts.map(({ level }) => level.tier).toSorted((a, b) => tierRank(a) - tierRank(b))[0]
    const wordings = wordingsOf(telling, setting)
    if (!tier || wordings.length === 0) return []
    const within = planned.filter((part) => speaksOf(part, telling)).map(partKey)
    const because = telling.facts.flatMap((fact) => reasons(fact, facts))
    const part = toldPart(telling.facts.map(keyOfFact), first, { wordings, because }, request)
    return [{ ...part, within, tier, uneven: isOfTwo(telling) }]
  })
  return parts.map((part, at) => ({
    ...part,
    dispensable: at === 0 ? firstOrLast : at === parts.length - 1 ? lowest : inTheMiddle,
  }))
}

function isOfTwo({ relation, facts }: Telling): boolean {
  return relation === 'strength and difficulty' || new Set(facts.map(({ level }) => level.tier)).size > 1
}

function settingOf({ facts }: DraftRequest): ToldSetting {
  const skills = facts.rated.filter(({ kind }) => kind === 'skill')
  return {
    subject: facts.sayable.subject?.text ?? null,
    termBefore: termInSentence(facts.termBefore),
    of: facts.skillsInAll,
    rated: skills.length,
    up: skills.filter(({ moved }) => moved > 0).length,
    down: skills.filter(({ moved }) => moved < 0).length,
    low: skills.filter(({ level }) => tierRank(level.tier) < tierRank('sound')).length,
  }
}

/** "autumn term" → "the autumn", "semester 1" → "semester 1", "first semester" → "the first semester". */
function termInSentence(term: string | null): string | null {
  if (term === null || /\d$/.test(term)) return term
  return `the ${term.replace(/^(autumn|winter|spring|summer) term$/, '$1')}`
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
  if (!before) return [because]
  const text = `${because.text}; ${before.symbol} in the ${termBefore ?? 'term before'}`
  return [because, { kind: 'trend', about: because.about, text, tier: null, termId }]
}

function toldPart(
  keys: readonly string[],
  planned: PlannedPart,
  { wordings, because }: ToldFact,
  { box }: DraftRequest,
): OpenPart {
  return {
    ...{
      keys,
      planned: { ...planned, sharesSentence: false },
      because,
      facts: {},
      words: {},
      tier: null,
      uneven: false,
    },
    within: [partKey(planned)],
    candidates: wordings.map((wording) => phraseOf(wording, box.subject)),
    dispensable: inTheMiddle,
  }
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
  const made = { ...readyPhrase(phrase), frame: id, families: contentWords(id.replace(/^told /, '')).map(familyNumber) }
  phrases.set(key, made)
  return made
}

const month = new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' })

/** The latest note that may be told, as a sentence of its own: "In March {they} read {their} poem aloud". */
export function notePart(planned: PlannedPart, request: DraftRequest): OpenPart[] {
  const [note] = request.facts.notes
  if (!note) return []
  const when = month.format(new Date(`${note.date}T00:00:00Z`))
  const wordings = [
    { id: 'told note', text: `In ${when} {they} ${note.told}` },
    { id: 'told note one day', text: `One day in ${when}, {they} ${note.told}` },
  ]
  return [{ ...toldPart([`note ${note.id}`], planned, { wordings, because: [note.because] }, request), dispensable: 2 }]
}

/** The best piece of work, where one stands alone. */
export function workPart(planned: PlannedPart, request: DraftRequest): OpenPart[] {
  const { 'best work': work, 'best result': result } = request.facts.sayable
  if (!work?.because || !result) return []
  const title = `“${work.text}”`
  const wordings = [
    { id: 'told work', text: `With ${result.text}, ${title} was {their} best result this term` },
    { id: 'told work last', text: `{Their} best result this term was ${result.text} in ${title}` },
    { id: 'told work earned', text: `${title} earned {them} ${result.text}, {their} best result this term` },
    { id: 'told work reached', text: `In ${title} {they} reached ${result.text}, {their} best result this term` },
    {
      id: 'told work of all',
      text: `Of all the marked work this term, ${title} went best: {they} reached ${result.text}`,
    },
  ]
  return [toldPart(['opening work'], planned, { wordings, because: [work.because] }, request)]
}

/** What an opening has to say by itself: that little is known; what the whole record adds up to. */
export function openingParts(planned: PlannedPart, request: DraftRequest): OpenPart[] {
  const { facts } = request
  const told: [string, ToldFact | null, number][] = [
    ['opening known', littleKnownTold(facts), firstOrLast],
    ['opening best', bestSubjectsTold(facts), firstOrLast],
    ['opening moves', movesTold(facts, termInSentence(facts.termBefore)), inTheMiddle],
  ]
  return told.flatMap(([key, fact, dispensable]) =>
    fact ? [{ ...toldPart([key], planned, fact, request), dispensable }] : [],
  )
}
