import { assertNever } from '../assertNever'
import { flatMap } from '../flatMap'
import type { Pronouns } from '../people/pronouns'
import { articleBefore } from './article'
import { capitalised } from './capitals'
import { parsePhrase, tokensWith, type FactName, type NameForm, type PlainToken } from './notation'
import { possessiveOf, type PossessiveRule } from './possessive'
import { pluralVerb } from './verbs'

/** Who is spoken of, and how. */
export interface Subject {
  readonly name: string
  readonly family: string
  readonly pronouns: Pronouns
  readonly possessives: PossessiveRule
}

/** What has been said so far in a comment, so that the next sentence knows whether to name the student. */
export interface Spoken {
  readonly named: boolean
  /** Sentences since the name was last said. */
  readonly sentencesSinceName: number
  /** True when the last sentence spoke of other people whom the student's pronoun could mean as well. */
  readonly othersMeant: boolean
}

/** After so many sentences without it the name is said again. */
const nameAgainAfter = 3

export const nothingSpoken: Spoken = { named: false, sentencesSinceName: 0, othersMeant: false }

export interface Said {
  readonly text: string
  readonly spoken: Spoken
}

/** Facts put in their places as words, or with the verbs that they bring. A missing one is the caller's to avoid. */
export function withFacts(
  tokens: readonly PlainToken[],
  facts: Partial<Record<FactName, string>>,
): readonly PlainToken[] {
  if (!tokens.some((token) => token.kind === 'fact')) return tokens
  return flatMap(tokens, (token): readonly PlainToken[] => {
    if (token.kind !== 'fact') return [token]
    const text = facts[token.fact] ?? ''
    return token.fact === 'does' ? tokensWith(parsePhrase(text), {}) : [{ kind: 'words', text }]
  })
}

/**
 * Says one sentence of tokens about a student.
 *
 * The first subject of a comment is the name, later ones the pronoun; the name comes again after some sentences, and
 * where a plural pronoun could mean others just spoken of. Verbs agree with what actually stands as their subject:
 * "Sam has", "they have". A student who is named only is named where a pronoun would stand, or the phrase's own
 * words for that are said.
 *
 * @param describing the describing words for this sentence's slots, in order
 */
export function saySentence(
  tokens: readonly PlainToken[],
  subject: Subject,
  spoken: Spoken,
  describing: readonly string[],
): Said {
  const nameIsDue = !spoken.named || spoken.sentencesSinceName >= nameAgainAfter || spoken.othersMeant
  const state = { named: spoken.named, namedHere: false, nameIsDue, plural: false, nextWord: 0 }
  let text = ''
  let pendingArticle: { capital: boolean } | null = null
  for (const token of tokens) {
    if (token.kind === 'article') {
      pendingArticle = token
      continue
    }
    const piece = sayToken(token)
    if (pendingArticle && piece.trim() !== '') {
      const article = articleBefore(piece.trim())
      text += (pendingArticle.capital ? capitalised(article) : article) + (/^\s/.test(piece) ? '' : ' ')
      pendingArticle = null
    }
    text += piece
  }
  const tidied = tidy(text)
  return {
    text: tidied.startsWith(subject.name) ? tidied : capitalised(tidied),
    spoken: {
      named: state.named,
      sentencesSinceName: state.namedHere ? 1 : spoken.sentencesSinceName + 1,
      othersMeant: couldBeMeant(tidied, subject.pronouns),
    },
  }

  function sayToken(token: Exclude<PlainToken, { kind: 'article' }>): string {
    switch (token.kind) {
      case 'words':
        return token.text
      case 'fact':
        return ''
      case 'describing':
        return describing[state.nextWord++] ?? token.example
      case 'verb':
        return state.plural ? pluralVerb(token.singular) : token.singular
      case 'name':
        state.plural = false
        return sayName(token.possessive, token.form)
      case 'pronoun':
        return sayPronoun(token)
      default:
        return assertNever(token)
    }
  }

  function sayName(possessive: boolean, form: NameForm = 'used'): string {
    state.named = true
    state.namedHere = true
    state.nameIsDue = false
    const name =
      form === 'full'
        ? `${subject.name} ${subject.family}`.trim()
        : form === 'family'
          ? subject.family || subject.name
          : subject.name
    return possessive ? possessiveOf(name, subject.possessives) : name
  }

  function sayPronoun(token: Extract<PlainToken, { kind: 'pronoun' }>): string {
    const { pronouns } = subject
    const isOwner = token.case === 'determiner' || token.case === 'possessive'
    if (pronouns === 'name only')
      return token.withoutPronoun !== null && state.named ? token.withoutPronoun : sayName(isOwner)
    // Before the first naming anything but "themself" introduces; later only a subject, or a sentence's first word.
    const canIntroduce =
      token.case !== 'reflexive' &&
      (!state.named || token.case === 'subject' || (token.case === 'determiner' && token.capital))
    if (state.nameIsDue && canIntroduce) {
      state.plural = false
      return sayName(isOwner)
    }
    if (token.case === 'subject') state.plural = pronouns.takesPluralVerb
    const word = pronouns[token.case]
    return token.capital ? capitalised(word) : word
  }
}

/**
 * True when a text speaks of several others, whom "they" would seem to mean.
 * @example couldBeMeant('Sam helps others.', they) // true: a “they” after it could mean the others; with “she” false
 */
export function couldBeMeant(text: string, pronouns: Pronouns): boolean {
  return (
    pronouns !== 'name only' &&
    pronouns.takesPluralVerb &&
    /\b(classmates|others|partners|friends|children|pupils|students|peers|adults|players|artists|writers|people|families)\b/i.test(
      text,
    )
  )
}

/** One space between words, none before a stop; typographic apostrophes and quotes. */
function tidy(text: string): string {
  // Most sentences need nothing of this, and asking once is cheaper than trying each.
  if (!/['"\t\n]|\s[\s.,;:!?]|^\s|\s$/.test(text)) return text
  return text
    .replace(/\s+/g, ' ')
    .replace(/ ([.,;:!?])/g, '$1')
    .replace(/(\p{L})'(\p{L}|\s|$)/gu, '$1’$2')
    .replace(/"([^"]*)"/g, '“$1”')
    .trim()
}
