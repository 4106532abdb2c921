import { directionOf, type Tier } from '../scales/tier'
import type { Because, DraftSentence } from './because'
import { tokensWith, type PlainToken } from './notation'
import type { OpenPart } from './openPart'
import type { ReadyPhrase } from './readyPhrase'
import { couldBeMeant, nothingSpoken, saySentence, withFacts, type Subject } from './say'

/** A part with the wording and describing words chosen for it. */
export interface ChosenPart {
  readonly part: OpenPart
  readonly phrase: ReadyPhrase
  readonly describing: readonly string[]
}

/** Where a comment stands after some of its parts, as far as joining sentences goes. */
export interface Joining {
  readonly last: { phrase: ReadyPhrase; tier: Tier | null } | null
  /** How many parts the sentence under way holds. */
  readonly inSentence: number
  /** Whether the sentence under way, and the one before it, hold a contrast. */
  readonly contrast: boolean
  readonly contrastBefore: boolean
}

export const nothingJoined: Joining = { last: null, inSentence: 0, contrast: false, contrastBefore: false }

/**
 * Whether the next part joins the sentence under way: with "and" when both point the same way, with "but" between a
 * strength and a difficulty; null for a sentence of its own. Never two contrasts in a row, and never a sentence that
 * runs on.
 *
 * @example linkTo(afterAStrongOne, anotherStrongOne, 'strong', true) // 'and'; where one is strong and one weak, 'but'
 */
export function linkTo(
  now: Joining,
  phrase: ReadyPhrase,
  tier: Tier | null,
  sharesSentence: boolean,
): 'and' | 'but' | null {
  const { last } = now
  if (
    !sharesSentence ||
    !last ||
    now.inSentence !== 1 ||
    !last.phrase.joins ||
    !phrase.joins ||
    (last.phrase.isDouble && phrase.isDouble)
  )
    return null
  const agree = directionOfTier(last.tier) === directionOfTier(tier)
  if (agree) return 'and'
  return now.contrastBefore ? null : 'but'
}

/** Where a comment stands after one more part. */
export function joined(now: Joining, phrase: ReadyPhrase, tier: Tier | null, link: 'and' | 'but' | null): Joining {
  const last = { phrase, tier }
  if (link)
    return { last, inSentence: now.inSentence + 1, contrast: link === 'but', contrastBefore: now.contrastBefore }
  return { last, inSentence: 1, contrast: false, contrastBefore: now.contrast }
}

/** So many are kept with a sentence. */
const mostParts = 10

/** Puts the chosen parts into sentences, joining those that share one, and notes where each sentence stands and why. */
export function sayComment(
  chosen: readonly ChosenPart[],
  subject: Subject,
): { text: string; sentences: DraftSentence[] } {
  let text = ''
  const sentences = saySentences(chosen, subject).map(({ group, said }): DraftSentence => {
    const start = text === '' ? 0 : text.length + 1
    text = text === '' ? said : `${text} ${said}`
    return {
      start,
      end: text.length,
      composed: said,
      parts: group.flatMap((each) => each.part.keys).slice(0, mostParts),
      phraseIds: group.map((each) => each.phrase.id),
      because: group.flatMap(becauseOf),
    }
  })
  return { text, sentences }
}

/**
 * The same text without its sentences' places and reasons: what the search looks at.
 * @example sayText(chosen, subject) // 'Maya counts with care, and she measures well.'
 */
export function sayText(chosen: readonly ChosenPart[], subject: Subject): string {
  return saySentences(chosen, subject)
    .map(({ said }) => said)
    .join(' ')
}

function saySentences(chosen: readonly ChosenPart[], subject: Subject): { group: ChosenPart[]; said: string }[] {
  let spoken = nothingSpoken
  return sentenceGroups(chosen).map(({ group, link }) => {
    const said = saySentence(
      groupTokens(group, link, subject),
      subject,
      spoken,
      group.flatMap((each) => each.describing),
    )
    spoken = said.spoken
    return { group, said: said.text }
  })
}

function sentenceGroups(chosen: readonly ChosenPart[]): { group: ChosenPart[]; link: 'and' | 'but' | null }[] {
  const groups: { group: ChosenPart[]; link: 'and' | 'but' | null }[] = []
  let now = nothingJoined
  for (const each of chosen) {
    const link = linkTo(now, each.phrase, each.part.tier, each.part.planned.sharesSentence)
    const last = groups.at(-1)
    if (link && last) {
      last.group.push(each)
      last.link = link
    } else {
      groups.push({ group: [each], link: null })
    }
    now = joined(now, each.phrase, each.part.tier, link)
  }
  return groups
}

function groupTokens(group: readonly ChosenPart[], link: 'and' | 'but' | null, subject: Subject): PlainToken[] {
  const [first, second] = group.map(tokensOf)
  if (!first) return []
  if (!second || !link) return withFullStop(first)
  const told = first.map((token) => (token.kind === 'words' ? token.text : '')).join(' ')
  // Where the pronoun would be the name again, or could mean somebody else, the subject is said once for both.
  const once = subject.pronouns === 'name only' || couldBeMeant(told, subject.pronouns)
  const [pronoun, ...rest] = second
  const opening: PlainToken[] =
    once || pronoun?.kind !== 'pronoun'
      ? []
      : [
          { kind: 'words', text: ' ' },
          { ...pronoun, capital: false },
        ]
  return withFullStop([...withoutFullStop(first), { kind: 'words', text: `, ${link}` }, ...opening, ...rest])
}

function tokensOf({ part, phrase }: ChosenPart): readonly PlainToken[] {
  return withFacts(tokensWith(phrase.tokens, part.words), part.words)
}

function becauseOf({ part, phrase }: ChosenPart): Because[] {
  const told = tokensWith(phrase.tokens, part.words).flatMap((token) =>
    token.kind === 'fact' ? (part.facts[token.fact]?.because ?? []) : [],
  )
  // A title and its date rest on one and the same result.
  return [...part.because, ...new Set(told)]
}

function directionOfTier(tier: Tier | null): string {
  return tier === null ? 'strength' : directionOf(tier)
}

function withoutFullStop(tokens: readonly PlainToken[]): PlainToken[] {
  return tokens.map((token, index) =>
    index === tokens.length - 1 && token.kind === 'words'
      ? { ...token, text: token.text.replace(/\.\s*$/, '') }
      : token,
  )
}

/** A clause that stands alone ends with a full stop. */
function withFullStop(tokens: readonly PlainToken[]): PlainToken[] {
  const last = tokens.at(-1)
  return last?.kind === 'words' && /[.!?]["”’)]?\s*$/.test(last.text)
    ? [...tokens]
    : [...tokens, { kind: 'words', text: '.' }]
}
