import type { Pronouns } from '../people/pronouns'
import { articleBefore } from './article'
import type { FactName, Token } from './notation'
import { possessiveOf, type PossessiveRule } from './possessive'
import { pluralVerb } from './verbs'

/** Who is spoken of, and how. */
export interface Subject {
  name: string
  pronouns: Pronouns
  possessives: PossessiveRule
}

/** What has been said so far in a comment, so that the next sentence knows whether to name the student. */
export interface Spoken {
  named: boolean
  /** Sentences since the name was last said. */
  sentencesSinceName: number
}

/** After so many sentences without it the name is said again. */
const nameAgainAfter = 3

export interface Said {
  text: string
  named: boolean
}

/**
 * Says one sentence of tokens about a student.
 *
 * The first subject of a comment is the name, later ones the pronoun; the name comes again after some sentences.
 * Verbs agree with what actually stands as their subject: "Sam has", "they have". A student who is named only is
 * named where a pronoun would stand; a determiner right after the name has been said becomes the name's possessive.
 *
 * @param describing the describing words for this sentence's slots, in order
 * @param facts values of the fact slots; a missing one makes the sentence unsayable and is the caller's to avoid
 */
export function saySentence(
  tokens: readonly Token[],
  subject: Subject,
  spoken: Spoken,
  describing: readonly string[],
  facts: Partial<Record<FactName, string>>,
): Said {
  const state = { named: spoken.named, plural: false, nameIsDue: !spoken.named || spoken.sentencesSinceName >= nameAgainAfter, nextWord: 0 }
  let named = false
  let text = ''
  let pendingArticle: { capital: boolean } | null = null
  for (const token of tokens) {
    const piece = token.kind === 'article' ? '' : sayToken(token)
    if (token.kind === 'article') {
      pendingArticle = token
      continue
    }
    if (pendingArticle && piece.trim() !== '') {
      const article = articleBefore(piece.trim())
      text += (pendingArticle.capital ? article.charAt(0).toUpperCase() + article.slice(1) : article) + (/^\s/.test(piece) ? '' : ' ')
      pendingArticle = null
    }
    text += piece
  }
  return { text: tidy(text), named }

  function sayToken(token: Exclude<Token, { kind: 'article' }>): string {
    switch (token.kind) {
      case 'words': return token.text
      case 'describing': return describing[state.nextWord++] ?? token.example
      case 'fact': return facts[token.fact] ?? ''
      case 'verb': return state.plural ? pluralVerb(token.singular) : token.singular
      case 'name':
        state.plural = false
        return sayName(token.possessive)
      case 'pronoun': return sayPronoun(token)
    }
  }

  function sayName(possessive: boolean): string {
    named = true
    state.named = true
    state.nameIsDue = false
    return possessive ? possessiveOf(subject.name, subject.possessives) : subject.name
  }

  function sayPronoun(token: Extract<Token, { kind: 'pronoun' }>): string {
    const { pronouns } = subject
    if (pronouns === 'name only') {
      state.plural = false
      return sayName(token.case === 'determiner' || token.case === 'possessive')
    }
    // Only a subject, or a sentence's opening determiner, introduces someone; "them" never does.
    const canIntroduce = token.case === 'subject' || (token.case === 'determiner' && token.capital)
    if (state.nameIsDue && canIntroduce) {
      state.plural = false
      return sayName(token.case === 'determiner')
    }
    if (token.case === 'subject') state.plural = pronouns.takesPluralVerb
    const word = pronouns[token.case]
    return token.capital ? word.charAt(0).toLocaleUpperCase('en') + word.slice(1) : word
  }
}

/** One space between words, typographic apostrophes and quotes. */
function tidy(text: string): string {
  return text
    .replace(/\s+/g, ' ')
    .replace(/ ([.,;:!?])/g, '$1')
    .replace(/(\p{L})'(\p{L}|\s|$)/gu, '$1’$2')
    .replace(/"([^"]*)"/g, '“$1”')
    .trim()
}
