import { flatMap } from '../../flatMap'
import { tierRank } from '../../scales/tier'
import type { Because, NarrativeFacts, RatedFact } from '../because'
import type { DraftRequest } from '../draftRequest'
import { familyNumber } from '../familyNumber'
import { givesWayAs, toldGivesWay } from '../givesWay'
import { partWith, type OpenPart } from '../openPart'
import type { Phrase } from '../phrase'
import { lowerFirst } from '../capitals'
import { conditionHolds, partKey, plannedWith, type Need, type PlannedPart } from '../plan'
import { frameKey, readyAs, shapeFor, shapeOf, type Counts, type ReadyPhrase } from '../readyPhrase'
import { littleKnownTold } from './littleKnown'
import { planTold, type Telling } from './planTold'
import { wordingsOf } from './sayTold'
import { noteWordings } from './noteWordings'
import { mostInOneBreath, readInOneBreath, type ToldSetting, type ToldWording } from './toldWording'
import { bestSubjectsTold, skillsInAllTold, type ToldFact } from './wholeTold'

/**
 * What a plan has said of skills and habits by their own words: a part for each sentence, with every true wording.
 * @param planned the parts of the plan by which these facts are told
 */
export function toldParts(
  told: readonly RatedFact[],
  planned: readonly PlannedPart[],
  request: DraftRequest,
): OpenPart[] {
  const [first] = planned
  if (!first) return []
  const { facts } = request
  const setting = settingOf(request)
  const parts = flatMap(planTold(told, request.seed, facts.rated), (telling): OpenPart[] => {
    const tier = telling.facts.map(({ level }) => level.tier).toSorted((a, b) => tierRank(a) - tierRank(b))[0]
    const candidates = phrasesOf(telling, setting)
    if (!tier || candidates.length === 0) return []
    const by = planned.filter((part) => speaksOf(part, telling))
    const because = flatMap(telling.facts, (fact) => reasons(fact, facts))
    const part = partOf(telling.facts.map(keyOfFact), first, { candidates, because })
    return [
      partWith(part, {
        within: by.map(partKey),
        planned: plannedWith(part.planned, { need: needOf(by) }),
        tier,
        uneven: isOfTwo(telling),
      }),
    ]
  })
  return parts.map((part, at) => {
    const usual = toldGivesWay[at === parts.length - 1 ? 'lowest' : at === 0 ? 'best' : 'inTheMiddle']
    return partWith(part, { dispensable: givesWayAs(usual, part.planned.need) })
  })
}

/** What is told by several parts of a plan must be said where one of them must, and may where all of them may. */
function needOf(parts: readonly PlannedPart[]): Need | undefined {
  const [first] = parts
  if (parts.some(({ need }) => need === 'must')) return 'must'
  return first && parts.every(({ need }) => need === first.need) ? first.need : undefined
}

/** Habits are told in two halves, each with a breath of its own. */
const mostWordsOfHabits = 26

const known = new Map<string, readonly ReadyPhrase[]>()

/** About what five classes have of different sentences, some 25 MB. */
const mostKnown = 1000

/** The wordings of a telling as phrases: what is told alike of another child was worded already. */
function phrasesOf(telling: Telling, setting: ToldSetting): readonly ReadyPhrase[] {
  const key = [telling.relation, ...countsFor(telling, setting), ...flatMap(telling.facts, wordsThatCount)].join(
    '\u0000',
  )
  const found = known.get(key)
  if (found) return found
  if (known.size > mostKnown) known.clear()
  const most = telling.relation === 'habits' ? mostWordsOfHabits : mostInOneBreath
  const made = readInOneBreath(wordingsOf(telling, setting), most).map((wording) => phraseOf(wording, setting.subject))
  known.set(key, made)
  return made
}

/** All of a box's setting that wordings of this relation look at: what another child shares is worded once. */
function countsFor(
  { relation, facts }: Telling,
  { subject, termBefore, of, rated, up, down, low }: ToldSetting,
): (string | number | null)[] {
  const always = [subject, termBefore]
  if (relation === 'strength and difficulty') return [...always, of, rated, low]
  if (relation === 'all at one level') return [...always, of]
  const moved = Math.sign(facts[0]?.moved ?? 0)
  return moved === 0 ? always : [...always, moved > 0 ? up : down]
}

/** All of a fact that its wordings look at. */
function wordsThatCount({ kind, words, level, before, moved }: RatedFact): (string | number)[] {
  const ofLevel = (at: RatedFact['before']): string => (at ? `${at.tier} ${at.name} ${at.familySentence}` : '')
  return [kind, words?.does ?? '', words?.do ?? '', words?.doing ?? '', ofLevel(level), ofLevel(before), moved]
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
  const { because, before, level } = fact
  if (!before) return [because]
  const text = `${because.text}; ${before.symbol} in the ${termBefore ?? 'term before'}`
  const value = `${before.symbol} to ${level.symbol}`
  return [because, { kind: 'trend', about: because.about, text, tier: null, termId, value }]
}

/** What stands by itself in a box: a fact with its wordings. */
function toldPart(
  keys: readonly string[],
  planned: PlannedPart,
  { wordings, because, becauseOf }: ToldFact,
  { box }: DraftRequest,
): OpenPart {
  const candidates = wordings.map((each) => knownPhrase(each, box.subject))
  return partOf(keys, planned, { candidates, because, becauseOf })
}

const knownByText = new Map<string, ReadyPhrase>()

/** About what two classes have of best subjects, best work and sums, each in all its wordings. */
const mostKnownByText = 3000

/** Read once, as many children have the same best subject or the same best work. */
function knownPhrase(wording: ToldWording, subject: string | null): ReadyPhrase {
  const key = `${subject}\u0000${wording.id}\u0000${wording.text}`
  const known = knownByText.get(key)
  if (known) return known
  if (knownByText.size > mostKnownByText) knownByText.clear()
  const made = phraseOf(wording, subject)
  knownByText.set(key, made)
  return made
}

function partOf(
  keys: readonly string[],
  planned: PlannedPart,
  { candidates, because, becauseOf }: Pick<OpenPart, 'candidates' | 'because'> & Pick<ToldFact, 'becauseOf'>,
): OpenPart {
  return {
    keys,
    within: [partKey(planned)],
    planned: plannedWith(planned, { sharesSentence: false }),
    candidates,
    tier: null,
    uneven: false,
    because,
    becauseOf: becauseOf ?? null,
    facts: {},
    dispensable: toldGivesWay.inTheMiddle,
  }
}

/** A wording as a phrase of nobody's book. */
function phraseOf({ id, text }: ToldWording, subject: string | null): ReadyPhrase {
  const phrase: Phrase = {
    id,
    subject: subject ?? 'general',
    part: 'outcome',
    about: 'any',
    tiers: [],
    uneven: false,
    moves: [],
    text,
    claims: 'level',
    tone: '',
    grades: null,
    owner: null,
  }
  const { shape, letters, idNumber, frame, frameNumber, families } = countsOf(id)
  return readyAs(phrase, { shape, letters, idNumber, frame, frameNumber, families, begins: beginningOf(text) })
}

const countsById = new Map<string, Omit<Counts, 'begins'>>()

/** How a shape counts, whatever is told in it: there are no more than some hundreds. */
function countsOf(id: string): Omit<Counts, 'begins'> {
  const before = countsById.get(id)
  if (before) return before
  const { shape, letters, idNumber, frame, frameNumber } = shapeFor(id, frameKey(shapeOf(id)))
  const made = { shape, letters, idNumber, frame, frameNumber, families: shapesOf(id).map(familyNumber) }
  countsById.set(id, made)
  return made
}

/** Its first two words without how often: "We nearly always see her" begins as "We sometimes see her" does. */
function beginningOf(text: string): string {
  const plain = text
    .toLowerCase()
    .replace(/^(we )?(nearly always|almost always|always|usually|mostly|often|sometimes|occasionally) /, '$1')
  return plain.split(' ', 2).join(' ')
}

/** Words that two manners share: neither "soundly" beside "a sound grasp" nor "strong" beside "strength". */
const stems = /sound|confiden|strong|strength|capabl|expect|secure|\bearly|start|beg[iu]n/

/** How often is a school's own word, of which there are few: two sentences may have it. */
const frequencies =
  /^(now |this term |gone )?(nearly|almost|always|usually|often|mostly|sometimes|occasionally|seldom|rarely)/

/**
 * What may not come again: the skills' own words come as often as the record has them, the manner once in a comment,
 * and what is hung on to it twice.
 */
function shapesOf(id: string): string[] {
  const [first = '', ...others] = id.replace(/^told (who )?/, '').split(', ')
  const [, move, found] = /^((?:up|down) (?:now|counted)|above all)(?: (.+))?$/.exec(first) ?? []
  const hung = others.filter((each) => isHung.test(each))
  const further = others.filter((each) => !isHung.test(each)).map((each) => each.replace(/^(but|and) /, ''))
  return [
    ...[...(move === undefined ? [first] : found === undefined ? [] : [found]), ...further].flatMap(countsOfManner),
    ...(move === undefined ? [] : [move]),
    // "We nearly always see her …. We sometimes see her …" is a list.
    ...(isSeen.test(id) ? ['seen', 'seen'] : []),
    // One that begins "As in the autumn" right after one that ends so is a list.
    ...hung.flatMap((each) => (each === 'as before in front' ? ['as before', 'as before'] : [each])),
  ].map((each) => `“${each}”`)
}

/** Told as what is seen: "we often see them", "of their habits, reading is seen often". */
const isSeen = /\bseen\b|\bof habits\b/

/** What is hung on to what is told, as its id has it; anything else is a manner. */
const isHung = /^(as before|the same|and it is|while|only one)/

function countsOfManner(manner: string): string[] {
  const [stem] = stems.exec(manner) ?? []
  return [
    ...(frequencies.test(manner) ? [manner] : [manner, manner]),
    ...(stem === undefined ? [] : [stem === 'strength' ? 'strong' : stem]).flatMap((each) => [each, each]),
  ]
}

/** The latest note that may be told, as a sentence of its own. */
export function notePart(planned: PlannedPart, request: DraftRequest): OpenPart[] {
  const [note] = request.facts.notes
  if (!note) return []
  const wordings = noteWordings(note)
  return [
    partWith(toldPart([`note ${note.id}`], planned, { wordings, because: [note.because] }, request), {
      dispensable: toldGivesWay.note,
    }),
  ]
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
    // What is the best is praised without its score, too.
    { id: 'told work alone', text: `{Their} best work this term was ${title}` },
    { id: 'told work alone last', text: `Of {their} marked work, ${title} went best` },
    { id: 'told work alone first', text: `The piece of work that went best was ${title}` },
  ]
  return [toldPart(['opening work'], planned, { wordings, because: [work.because] }, request)]
}

/** A settled mark by what the school's own level says of it, for a class that has no skills to tell of. */
export function markPart(planned: PlannedPart, request: DraftRequest): OpenPart[] {
  const { mark, sayable } = request.facts
  const level = mark?.level
  if (!mark || !level || !conditionHolds(planned.when, mark)) return []
  const said = level.familySentence.trim().replace(/[.!]$/, '')
  if (said === '' || /[.!?]\s/.test(said)) return []
  const inSubject = sayable.subject ? ` in ${sayable.subject.text}` : ''
  const wordings = [
    { id: 'told mark', text: `{Their} mark${inSubject} is ${level.name}: ${lowerFirst(said)}` },
    { id: 'told mark this term', text: `This term {their} mark${inSubject} is ${level.name}: ${lowerFirst(said)}` },
    {
      id: 'told mark ends',
      text: `{They} {ends} the term with the mark ${level.name}${inSubject}: ${lowerFirst(said)}`,
    },
  ]
  return [
    partWith(toldPart([partKey(planned)], planned, { wordings, because: mark.because }, request), { tier: mark.tier }),
  ]
}

/** What an opening has to say by itself: that little is known; what the whole record adds up to. */
export function openingParts(planned: PlannedPart, request: DraftRequest): OpenPart[] {
  const { facts } = request
  const told: [string, ToldFact | null, number][] = [
    ['opening known', littleKnownTold(facts), toldGivesWay.best],
    ['opening best', bestSubjectsTold(facts), toldGivesWay.best],
    ['opening moves', skillsInAllTold(facts, termInSentence(facts.termBefore)), toldGivesWay.inTheMiddle],
  ]
  return flatMap(told, ([key, fact, dispensable]) =>
    fact
      ? [partWith(toldPart([key], planned, fact, request), { dispensable: givesWayAs(dispensable, planned.need) })]
      : [],
  )
}
