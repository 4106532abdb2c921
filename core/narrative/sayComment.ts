import { filterMap, flatMap } from '../flatMap'
import { lowerFirst } from './capitals'
import { joined, linkOf, nothingJoined, type Link } from './joining'
import type { Because, DraftSentence } from './because'
import { tokensWith, type PlainToken } from './notation'
import { inWords, type OpenPart } from './openPart'
import type { ReadyPhrase } from './readyPhrase'
import { couldBeMeant, nothingSpoken, saySentence, withFacts, type Subject } from './say'

/** A part with the wording and describing words chosen for it. */
export interface ChosenPart {
  readonly part: OpenPart
  readonly phrase: ReadyPhrase
  readonly describing: readonly string[]
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
      parts: flatMap(group, (each) => each.part.keys).slice(0, mostParts),
      phraseIds: group.map((each) => each.phrase.id),
      because: flatMap(group, becauseOf),
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
      flatMap(group, (each) => each.describing),
    )
    spoken = said.spoken
    return { group, said: said.text }
  })
}

function sentenceGroups(chosen: readonly ChosenPart[]): { group: ChosenPart[]; link: Link | null }[] {
  const groups: { group: ChosenPart[]; link: Link | null }[] = []
  const parts = chosen.map(({ part }) => part)
  let now = nothingJoined
  for (const [at, each] of chosen.entries()) {
    const link = linkOf(now, each.phrase, parts, at)
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

function groupTokens(group: readonly ChosenPart[], link: Link | null, subject: Subject): PlainToken[] {
  const [first, second] = group.map(tokensOf)
  if (!first) return []
  if (!second || !link) return withFullStop(first)
  if (link === ';')
    return withFullStop([...withoutFullStop(first), { kind: 'words', text: '; ' }, ...withoutCapital(second)])
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

/** As it stands inside a sentence. */
function withoutCapital([first, ...rest]: readonly PlainToken[]): PlainToken[] {
  if (first?.kind === 'words') return [{ ...first, text: lowerFirst(first.text) }, ...rest]
  return first?.kind === 'pronoun' ? [{ ...first, capital: false }, ...rest] : first ? [first, ...rest] : []
}

function tokensOf({ part, phrase }: ChosenPart): readonly PlainToken[] {
  if (!tellsFacts(phrase)) return tokensWith(phrase.tokens, {})
  const words = inWords(part.facts)
  return withFacts(tokensWith(phrase.tokens, words), words)
}

function tellsFacts({ needs, optional }: ReadyPhrase): boolean {
  return needs.length > 0 || optional.length > 0
}

function becauseOf({ part, phrase }: ChosenPart): Because[] {
  const told = tellsFacts(phrase)
    ? filterMap(tokensWith(phrase.tokens, inWords(part.facts)), (token) =>
        token.kind === 'fact' ? part.facts[token.fact]?.because : null,
      )
    : []
  // A title and its date rest on one and the same result.
  return [...part.because, ...(part.becauseOf?.get(phrase.id) ?? []), ...new Set(told)]
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
