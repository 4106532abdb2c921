import { filterMap, flatMap } from '../flatMap'
import { directionOf, tierRank } from '../scales/tier'
import { isSpokenAgainst } from './against'
import type { LeftOut, NarrativeFacts, RatedFact, SayableFact, StandingFact } from './because'
import { lowerFirst } from './capitals'
import type { DraftRequest } from './draftRequest'
import { givesWay, givesWayAs } from './givesWay'
import type { FactName } from './notation'
import { indexPhrases, phrasesFor } from './phraseIndex'
import type { Claim, PartKind, Phrase, Phrasebook } from './phrase'
import { claimOf, isAdvice } from './claims'
import { standingFor, standingsFor } from './standingOfPart'
import { eachNamed, standingNamed, togetherSign } from './standingsOfBox'
import { untoldByNumber } from './told/mostTelling'
import { keyOfFact, markPart, notePart, openingParts, toldParts, workPart } from './told/toldParts'
import { conditionHolds, partKey, type PlannedPart } from './plan'
import { inWords, partWith, type OpenPart } from './openPart'
import { inOwnOrder } from './preference'
import type { ReadyPhrase } from './readyPhrase'
import { contentWords, familyOf } from './wordFamily'

/** The parts of the box's plan that have something to say of this student, and those that have not, with the reason. */
export function openParts(request: DraftRequest, phrasebook: Phrasebook): { parts: OpenPart[]; leftOut: LeftOut[] } {
  const parts: OpenPart[] = []
  const leftOut: LeftOut[] = []
  const spokenOf = new Set<string>()
  const isWorded = ({ part }: PlannedPart, { about, tier }: StandingFact): boolean =>
    phrasesFor(phrasebook, request.box.subject, { part, about }, { tier }).some((phrase) => phrase.about !== 'any')
  const told = { facts: new Set<RatedFact>(), planned: [] as PlannedPart[], at: 0 }
  const untold = untoldByNumber(request.box.plan, request.facts.rated, request.seed)
  const tellable = withoutUntold(request.facts, untold)
  // A next step is for what the comment tells: of habits that are equally low, for the one that is told last.
  const among = inOrderOfTelling(tellable, request)
  for (const planned of eachNamed(request.box, tellable, isWorded)) {
    if (planned.part === 'progress' && told.facts.size > 0) continue
    const opened = openPart(planned, request, phrasebook, { spokenOf, which: 'borne out', among })
    // What a school has written for this very strand or habit and level is said; else its own words are.
    const isWritten = typeof opened !== 'string' && opened.candidates.some(isOfThis)
    const facts = isWritten ? [] : ratedFor(planned, request).filter((fact) => !untold.has(fact))
    if (facts.length > 0) {
      if (told.planned.length === 0) told.at = parts.length
      told.planned.push(planned)
      facts.forEach((fact) => told.facts.add(fact))
      continue
    }
    const opens =
      planned.part === 'opening'
        ? openingParts(planned, request)
        : typeof opened === 'string' && planned.part === 'outcome' && planned.about === 'mark'
          ? markPart(planned, request)
          : []
    if (typeof opened !== 'string') parts.push(opened)
    else if (planned.part !== 'opening' && opens.length === 0)
      leftOut.push({ part: planned.part, about: planned.about, why: opened })
    parts.push(...opens)
  }
  const [first] = told.planned
  const written = writtenOfSkills([...told.facts], told.planned, request, phrasebook)
  const byOwnWords = [...told.facts].filter((fact) => !written.some(({ keys }) => keys.includes(keyOfFact(fact))))
  const [opening, ...others] = [...written, ...toldParts(byOwnWords, told.planned, request)]
  // What was seen once comes right after what sets the child apart.
  const notes = first ? notePart(first, request) : []
  const opens = request.box.plan.find(({ part }) => part === 'opening')
  const namesWork = parts.some(({ candidates }) => candidates.some(({ needs }) => needs.includes('best work')))
  const hasRoom = others.length < mostBesideWork && notes.length === 0 && !namesWork
  const work = first && opens && hasRoom ? workPart(opens, request) : []
  parts.splice(told.at, 0, ...(opening ? [opening] : []), ...notes, ...work, ...others)
  return { parts: nameFirst(notEndingLow(parts)), leftOut }
}

/** A comment that tells so much of skills says nothing of single pieces of work: it would run on. */
const mostBesideWork = 3

/** Skills of which the school has written a sentence for the very level: that sentence, each by itself. */
function writtenOfSkills(
  rated: readonly RatedFact[],
  planned: readonly PlannedPart[],
  request: DraftRequest,
  phrasebook: Phrasebook,
): OpenPart[] {
  const [first] = planned
  const { find } = indexPhrases(phrasebook)
  return flatMap(rated, (fact): OpenPart[] => {
    const { about, level, strand, kind } = fact
    const own = kind === 'skill' ? find(request.box.subject ?? 'general', 'outcome', about, level.tier) : []
    const candidates = own.filter(
      (phrase) =>
        claimedBy(phrase, request.facts) !== 'particular' && suitsStudent(phrase, null, request, request.facts.sayable),
    )
    const by = planned.find((part) => part.about === strand) ?? first
    if (!by || candidates.length === 0) return []
    return [
      {
        keys: [keyOfFact(fact)],
        within: [`outcome ${strand ?? ''}`],
        planned: by,
        candidates,
        tier: level.tier,
        uneven: false,
        because: [fact.because],
        becauseOf: null,
        facts: request.facts.sayable,
        dispensable: givesWayAs(givesWay.outcome, by.need),
      },
    ]
  })
}

/** Without the habits, and the strands with all of their skills, that are more than the plan has told. */
function withoutUntold(facts: NarrativeFacts, untold: ReadonlySet<RatedFact>): NarrativeFacts {
  if (untold.size === 0) return facts
  const { standings, rated } = facts
  const isUntold = ({ kind, about }: StandingFact): boolean => {
    const within = rated.filter((fact) => (kind === 'habit' ? fact.about === about : fact.strand === about))
    return within.length > 0 && within.every((fact) => untold.has(fact))
  }
  return { ...facts, standings: standings.filter((standing) => !isUntold(standing)) }
}

/** With habits in the order in which those of one level are told. */
function inOrderOfTelling(facts: NarrativeFacts, { box, seed }: DraftRequest): NarrativeFacts {
  if (!box.plan.some(({ part }) => part === 'habit')) return facts
  const habits = facts.standings.filter(({ kind }) => kind === 'habit')
  const others = facts.standings.filter(({ kind }) => kind !== 'habit')
  return { ...facts, standings: [...inOwnOrder(habits, seed, ({ about }) => about), ...others] }
}

/** Written for this very strand or habit, or for any in its own words. */
function isOfThis({ about, needs }: ReadyPhrase): boolean {
  return about !== 'any' || needs.some((fact) => tellsOwnWords.has(fact))
}

const tellsOwnWords: ReadonlySet<FactName> = new Set<FactName>(['does', 'do', 'doing', 'skill', 'habit'])

/** A comment never ends on a failing mark: what stands before it is said after it. */
function notEndingLow(parts: readonly OpenPart[]): OpenPart[] {
  const last = parts.at(-1)
  const before = parts.at(-2)
  const isLowMark =
    last?.planned.about === 'mark' &&
    last.planned.part === 'outcome' &&
    last.tier &&
    directionOf(last.tier) === 'difficulty'
  return isLowMark && before ? [...parts.slice(0, -2), last, before] : [...parts]
}

/** The first sentence of a box says who it is about, where it can. */
function nameFirst(parts: readonly OpenPart[]): OpenPart[] {
  const [first, ...others] = parts
  const naming = first?.candidates.filter(({ tokens }) =>
    tokens.some(({ kind }) => kind === 'name' || kind === 'pronoun'),
  )
  return first && naming && naming.length > 0 ? [partWith(first, { candidates: naming }), ...others] : [...parts]
}

/** The skills or habits that a part of the plan has told by their own words; none where it speaks of something else. */
function ratedFor(planned: PlannedPart, { box, facts }: DraftRequest): RatedFact[] {
  if (planned.part !== 'outcome' && planned.part !== 'habit') return []
  const standing = standingFor(planned, box, facts)
  if (!standing || standing === 'missing' || standing.kind === 'mark') return []
  if (!conditionHolds(planned.when, standing)) return []
  const abouts = standing.kind === 'habit' ? standing.about.split(togetherSign) : []
  return facts.rated.filter(
    ({ kind, about, strand, words }) =>
      words !== null &&
      (kind === 'habit' ? standing.kind === 'habit' && abouts.includes(about) : strand === standing.about),
  )
}

/** The parts of the plan with what could be said of this student by somebody who has seen it. */
export function offeredParts(request: DraftRequest, phrasebook: Phrasebook): OpenPart[] {
  const spokenOf = new Set<string>()
  return eachNamed(request.box, request.facts, () => true).flatMap((planned) => {
    const opened = openPart(planned, request, phrasebook, { spokenOf, which: 'particular', among: request.facts })
    return typeof opened === 'string' ? [] : [opened]
  })
}

function openPart(
  planned: PlannedPart,
  request: DraftRequest,
  phrasebook: Phrasebook,
  { spokenOf, which, among }: { spokenOf: Set<string>; which: 'borne out' | 'particular'; among: NarrativeFacts },
): OpenPart | LeftOut['why'] {
  const { facts, box } = request
  const standing = standingFor(planned, box, among)
  if (standing === 'missing') return 'nothing is settled'
  if (!conditionHolds(planned.when, standing)) return 'it does not apply'
  if (planned.part === 'progress' && !standing?.trend) return 'it does not apply'
  if (planned.part === 'outcome' || planned.part === 'habit') {
    // "strongest" and "weakest" may be one and the same; it is told once.
    if (standing && spokenOf.has(standing.about)) return 'it does not apply'
    if (standing) spokenOf.add(standing.about)
  }
  const sayable = standing ? withStanding(facts.sayable, standing) : facts.sayable
  const about = standing && planned.about !== 'any' ? standing.about : 'any'
  const suits = (phrase: ReadyPhrase): boolean =>
    (claimedBy(phrase, facts) === 'particular') === (which === 'particular') &&
    suitsStudent(phrase, standing, request, sayable)
  const general = phrasesFor(
    phrasebook,
    box.subject,
    { part: planned.part, about },
    { tier: standing?.tier ?? null, uneven: standing?.uneven },
  ).filter(suits)
  const ofSkills = standing?.kind === 'strand' ? phrasesOfSkills(planned.part, standing, request, phrasebook) : []
  const bound = ofSkills.filter(suits)
  // What is written for the very skill says more than what is written for its strand; offered are both.
  const candidates =
    which === 'particular' ? [...bound, ...general] : isAdvice(planned.part) && bound.length > 0 ? bound : general
  if (candidates.length === 0) return 'there is no phrase for it'
  return {
    keys: [partKey(planned)],
    within: [partKey(planned)],
    planned,
    candidates,
    tier: standing?.tier ?? null,
    uneven: planned.part === 'outcome' && standing?.uneven === true,
    because: standing?.because ?? [
      {
        kind: 'always',
        about: planned.part,
        text: `Every comment has ${planned.part === 'opening' ? 'an' : 'a'} ${planned.part}.`,
        tier: null,
        termId: facts.termId,
      },
    ],
    becauseOf: null,
    facts: sayable,
    dispensable: givesWayAs(givesWay[planned.part], planned.need),
  }
}

/**
 * What the phrasebook has for the skills of a strand: for advice those of the lowest, which is what it is given for;
 * else those of each at its own level.
 */
function phrasesOfSkills(
  part: PartKind,
  strand: StandingFact,
  { facts, box }: DraftRequest,
  phrasebook: Phrasebook,
): ReadyPhrase[] {
  const skills = facts.rated.filter((fact) => fact.strand === strand.about)
  const lowest = Math.min(...skills.map(({ level }) => tierRank(level.tier)))
  const { find } = indexPhrases(phrasebook)
  return flatMap(
    skills.filter(({ level }) => !isAdvice(part) || tierRank(level.tier) === lowest),
    ({ about, level }) => find(box.subject ?? 'general', part, about, level.tier),
  )
}

function isLow(standing: StandingFact | null): boolean {
  return standing !== null && directionOf(standing.tier) === 'difficulty'
}

function suitsStudent(
  phrase: ReadyPhrase,
  standing: StandingFact | null,
  request: DraftRequest,
  sayable: OpenPart['facts'],
): boolean {
  if (phrase.moves.length > 0 && !(standing?.trend && phrase.moves.includes(standing.trend.move))) return false
  if (
    phrase.grades &&
    request.grade !== null &&
    (request.grade < phrase.grades.from || request.grade > phrase.grades.to)
  )
    return false
  if (isSpokenAgainst(phrase.fixed, request.facts)) return false
  // A comment never ends on a failing mark.
  if (phrase.part === 'closing' && phrase.needs.includes('mark') && isLow(request.facts.mark)) return false
  if (request.avoid?.has(phrase.id) || request.elsewhere?.has(phrase.id)) return false
  return phrase.needs.every((fact) => sayable[fact] !== undefined)
}

/**
 * What a phrase claims where it is said: what somebody has said of it, else as its words are read beside the school's
 * own words for what it is about.
 */
export function claimedBy(phrase: ReadyPhrase, facts: NarrativeFacts): Claim {
  return phrase.claims ?? claimOf(phrase, wordsAround(phrase, facts))
}

/** The families of the words that a phrase is about: its subject's, its strand's, those of the skills there. */
function wordsAround(phrase: Phrase, facts: NarrativeFacts): ReadonlySet<string> {
  const words = [
    ...[phrase.subject, phrase.about, facts.sayable.subject?.text ?? ''],
    ...filterMap(facts.rated, ({ strand, about, familyWords }) =>
      strand === phrase.about || about === phrase.about ? familyWords : null,
    ),
  ].join(' ')
  const known = around.get(words)
  if (known) return known
  if (around.size > mostAround) around.clear()
  const made = new Set(contentWords(words).map(familyOf))
  around.set(words, made)
  return made
}

/** By the words themselves: another class, and the same one after a skill was put otherwise, has others. */
const around = new Map<string, ReadonlySet<string>>()

/** About what a school has of strands, each as it is known of different children. */
const mostAround = 1000

/**
 * Every fact that a phrase for this part of a box could tell, in words: of the strand or habit that it names, else of
 * one of those there are, preferably of one that has what the phrase needs.
 */
export function factsInWords(
  facts: NarrativeFacts,
  subject: string | null,
  { part, about }: Pick<Phrase, 'part' | 'about'>,
  needs: readonly FactName[] = [],
): Partial<Record<FactName, string>> {
  const { sayable } = facts
  const named = standingNamed({ part, about }, subject, facts)
  const tries = (named ? [named] : standingsFor(part, subject, facts)).map((standing) =>
    inWords(withStanding(sayable, standing)),
  )
  return tries.find((words) => needs.every((fact) => words[fact] !== undefined)) ?? tries[0] ?? inWords(sayable)
}

/** What phrases may say of a student, with what they may say of the standing that they speak of. */
function withStanding(sayable: OpenPart['facts'], standing: StandingFact): OpenPart['facts'] {
  const own = factsOfStanding(standing)
  // Each by its name, as wherever something is made for every part of every comment.
  return {
    'subject': sayable.subject,
    'term': sayable.term,
    'skill': own.skill ?? sayable.skill,
    'habit': own.habit ?? sayable.habit,
    'strongest skill': own['strongest skill'] ?? sayable['strongest skill'],
    'weakest skill': own['weakest skill'] ?? sayable['weakest skill'],
    'does': own.does ?? sayable.does,
    'do': own.do ?? sayable.do,
    'doing': own.doing ?? sayable.doing,
    'strengths': sayable.strengths,
    'best work': sayable['best work'],
    'best work date': sayable['best work date'],
    'best result': sayable['best result'],
    'mark': sayable.mark,
    'trend': own.trend ?? sayable.trend,
    'attendance': sayable.attendance,
  } satisfies Record<FactName, SayableFact | undefined>
}

/** What phrases may say of the standing that they speak of. */
export function factsOfStanding({
  kind,
  name,
  trend,
  strongestSkill,
  weakestSkill,
  skills,
}: StandingFact): OpenPart['facts'] {
  const inSentence: SayableFact = { text: lowerFirst(name), because: null }
  const facts: OpenPart['facts'] = {}
  if (kind !== 'mark') {
    facts.skill = inSentence
    facts.habit = inSentence
  }
  if (strongestSkill) facts['strongest skill'] = strongestSkill
  if (weakestSkill) facts['weakest skill'] = weakestSkill
  if (skills) {
    const { words, because } = skills
    facts.does = { text: words.does, because }
    facts.do = { text: words.do, because }
    facts.doing = { text: words.doing, because }
  }
  if (trend?.text) facts.trend = { text: trend.text, because: trend.because }
  return facts
}
