import { directionOf, tierRank, type Tier } from '../scales/tier'
import type { Because, Draft, DraftSentence, NarrativeFacts, StandingFact } from './because'
import { chooseWordings, type ChosenPart, type OpenPart, type Usage } from './choose'
import { countGraphemes } from './graphemes'
import type { FactName, Token } from './notation'
import { readyPhrase, type Phrase, type Phrasebook, type ReadyPhrase } from './phrase'
import type { CommentBox, PlannedPart } from './plan'
import { saySentence, type Spoken, type Subject } from './say'

/** One comment to be written. */
export interface DraftRequest {
  studentId: string
  subject: Subject
  box: CommentBox
  facts: NarrativeFacts
  /** 0 for the first wording, 1, 2, … for others. */
  wording?: number
  /** Phrases this student had in this box last term. */
  avoid?: ReadonlySet<string>
}

/**
 * Writes the comments of a class for one box, in the order of the class list. Deterministic: the same requests and
 * phrasebook give the same texts.
 * @param given phrases already used by classmates whose texts stand, with how often
 */
export function draftClass(requests: readonly DraftRequest[], phrasebook: Phrasebook, given: Usage = new Map()): Draft[] {
  const usage = new Map(given)
  return requests.map((request) => {
    const draft = draftComment(request, phrasebook, usage)
    for (const id of draft.sentences.flatMap((sentence) => sentence.phraseIds)) usage.set(id, (usage.get(id) ?? 0) + 1)
    return draft
  })
}

/**
 * Writes one comment from the facts, or an empty one when the facts and the phrasebook have nothing to say together.
 * A part without facts or without a phrase is left out; what remains reads whole. Parts are dropped from the least
 * needed on until the text fits the box's limit.
 */
export function draftComment(request: DraftRequest, phrasebook: Phrasebook, usage: Usage = new Map()): Draft {
  const { box, facts } = request
  // The term by name, not by id: the batch command and the application shall choose alike.
  const seed = [request.studentId, box.key, facts.termName, String(request.wording ?? 0)]
  let parts = box.plan.flatMap((part) => openPart(part, request, phrasebook))
  while (parts.some((part) => part.about !== 'any')) {
    const draft = sayParts(chooseWordings(parts, seed, usage, phrasebook.describing), request)
    if (countGraphemes(draft.text) <= box.limit) return draft
    const least = Math.max(...parts.map((part) => part.dispensable))
    const index = parts.findLastIndex((part) => part.dispensable === least)
    parts = parts.filter((_, each) => each !== index)
  }
  return { text: '', sentences: [] }
}

/** How readily a part gives way when the limit is tight. */
const givesWay: Record<PlannedPart['part'], number> = { 'closing': 4, 'opening': 3, 'habit': 2, 'next step': 1, 'outcome': 1 }

function openPart(planned: PlannedPart, request: DraftRequest, phrasebook: Phrasebook): OpenPart[] {
  const { facts, box } = request
  const standing = standingFor(planned, box, facts)
  if (standing === 'missing') return []
  const wanted = phrasebook.phrases.filter((phrase) => suits(phrase, planned, standing, box))
  const own = wanted.filter((phrase) => phrase.subject === (box.subject ?? 'general'))
  const told = (own.length > 0 ? own : wanted).map(readyPhrase).filter((phrase) => canBeSaid(phrase, factsOf(request, standing)))
  const fresh = told.filter((phrase) => !request.avoid?.has(phrase.id))
  const candidates = fresh.length > 0 ? fresh : told
  if (candidates.length === 0) return []
  return [{
    candidates,
    tier: standing?.tier ?? null,
    because: standing?.because ?? [{ kind: 'always', text: `Every comment has ${planned.part === 'opening' ? 'an' : 'a'} ${planned.part}.`, termId: facts.termId }],
    sharesSentence: planned.sharesSentence,
    dispensable: givesWay[planned.part],
    about: standing?.about ?? 'any',
  }]
}

/** What a part speaks of; null when it speaks of nothing in particular. */
function standingFor(planned: PlannedPart, box: CommentBox, facts: NarrativeFacts): StandingFact | null | 'missing' {
  if (planned.about === 'weakest') return weakestOf(box, facts) ?? 'missing'
  if (planned.part === 'outcome' && planned.about === 'mark') return facts.mark ?? 'missing'
  if (planned.part === 'outcome' || planned.part === 'habit') return facts.standings[planned.about] ?? 'missing'
  return facts.mark
}

/** The weakest outcome or habit that the box's plan speaks of; the later one among equals, as it is read last. */
function weakestOf(box: CommentBox, facts: NarrativeFacts): StandingFact | undefined {
  const known = box.plan.flatMap((part) => (part.part === 'outcome' && part.about === 'mark' ? facts.mark : facts.standings[part.about]) ?? [])
  return known.reduce<StandingFact | undefined>((weakest, each) => (!weakest || tierRank(each.tier) <= tierRank(weakest.tier) ? each : weakest), undefined)
}

function suits(phrase: Phrase, planned: PlannedPart, standing: StandingFact | null, box: CommentBox): boolean {
  if (phrase.part !== planned.part) return false
  if (phrase.subject !== 'any' && phrase.subject !== (box.subject ?? 'general')) return false
  const about = planned.about === 'weakest' ? standing?.about : planned.about
  if (phrase.about !== 'any' && phrase.about !== about) return false
  if (phrase.about === 'any' && (planned.part === 'outcome' || planned.part === 'habit')) return false
  return phrase.tiers.length === 0 || (standing !== null && phrase.tiers.includes(standing.tier))
}

function factsOf(request: DraftRequest, standing: StandingFact | null): Partial<Record<FactName, string>> {
  const { facts } = request
  return {
    'term': facts.termName,
    ...(facts.subjectName ? { subject: facts.subjectName } : {}),
    ...(facts.bestWork ? { 'best work': facts.bestWork.title } : {}),
    ...(standing ? { skill: standing.about, habit: standing.about } : {}),
  }
}

function canBeSaid(phrase: ReadyPhrase, facts: Partial<Record<FactName, string>>): boolean {
  return phrase.tokens.every((token) => token.kind !== 'fact' || facts[token.fact] !== undefined)
}

/** Puts the chosen parts into sentences, joining those that share one, and notes where each sentence stands. */
function sayParts(chosen: readonly ChosenPart[], request: DraftRequest): Draft {
  const spoken: Spoken = { named: false, sentencesSinceName: 0 }
  const sentences: DraftSentence[] = []
  let text = ''
  for (const group of sentenceGroups(chosen, request.subject)) {
    const { text: sentence, named } = saySentence(groupTokens(group), request.subject, spoken, group.flatMap((part) => part.describing), groupFacts(group, request))
    spoken.named = spoken.named || named
    spoken.sentencesSinceName = named ? 1 : spoken.sentencesSinceName + 1
    const start = text === '' ? 0 : text.length + 1
    text = text === '' ? sentence : `${text} ${sentence}`
    sentences.push({ start, end: start + sentence.length, phraseIds: group.map((part) => part.phrase.id), because: group.flatMap((part) => becauseOf(part, request)) })
  }
  return { text, sentences }
}

function becauseOf(part: ChosenPart, request: DraftRequest): Because[] {
  const speaksOfWork = part.phrase.tokens.some((token) => token.kind === 'fact' && token.fact === 'best work')
  return speaksOfWork && request.facts.bestWork ? [...part.because, request.facts.bestWork.because] : part.because
}

/** Parts that share a sentence stand together, if both begin with the student and the sentence does not run on. */
function sentenceGroups(chosen: readonly ChosenPart[], subject: Subject): ChosenPart[][] {
  const groups: ChosenPart[][] = []
  for (const part of chosen) {
    const last = groups.at(-1)
    // A student who is named only would be named twice in one sentence.
    const joins = part.sharesSentence && last?.length === 1 && subject.pronouns !== 'name only' && [...last, part].every((each) => opensWithThey(each.phrase))
    if (joins && last) last.push(part)
    else groups.push([part])
  }
  return groups
}

function opensWithThey(phrase: ReadyPhrase): boolean {
  const first = phrase.tokens[0]
  return first?.kind === 'pronoun' && first.case === 'subject' && !/\.(?=.)|, (and|but|so) /.test(phrase.text) && phrase.text.length <= 110
}

/** "…, and she …" between parts that point the same way, "…, but she …" between a strength and a difficulty. */
function groupTokens(group: readonly ChosenPart[]): Token[] {
  const [first, second] = group
  if (!first || !second) return first?.phrase.tokens ?? []
  const link = directionOfPart(first.tier) === directionOfPart(second.tier) ? 'and' : 'but'
  return [
    ...withoutFullStop(first.phrase.tokens),
    { kind: 'words', text: `, ${link} ` },
    ...second.phrase.tokens.map((token, index): Token => (index === 0 && token.kind === 'pronoun' ? { ...token, capital: false } : token)),
  ]
}

function directionOfPart(tier: Tier | null): string {
  return tier === null ? 'strength' : directionOf(tier)
}

function withoutFullStop(tokens: readonly Token[]): Token[] {
  return tokens.map((token, index) => (index === tokens.length - 1 && token.kind === 'words' ? { ...token, text: token.text.replace(/\.\s*$/, '') } : token))
}

function groupFacts(group: readonly ChosenPart[], request: DraftRequest): Partial<Record<FactName, string>> {
  const about = group.find((part) => part.about !== 'any')
  return factsOf(request, about ? { about: about.about, tier: about.tier ?? 'sound', because: about.because } : null)
}
