import { assertNever } from '../../assertNever'
import type { PronounSet } from '../../people/pronouns'
import { articleBefore } from '../article'
import { capitalised } from '../capitals'
import { tokensWith, writePhrase, type PlainToken, type Token } from '../notation'
import { possessiveOf } from '../possessive'
import type { Frame, FramePiece } from './frame'

/**
 * A phrase as a sentence about one student, with its varying words marked: the inverse of recognition, so that what
 * was settled when it was written need not be recognised again. Facts, and words that depend on them, stay in braces
 * and brackets, as nobody's fact is meant.
 */
export function frameOfPhrase(tokens: readonly Token[], name: string, pronouns: PronounSet): Frame {
  const pieces: FramePiece[] = []
  let text = ''
  let named = false
  for (const token of tokens) {
    const words =
      token.kind === 'optional' ||
      token.kind === 'fact' ||
      (token.kind === 'name' && token.form !== 'used') ||
      (token.kind === 'pronoun' && token.withoutPronoun !== null)
        ? writePhrase([token])
        : said(token, nextWords(tokens, token))
    const start = text.length
    text += words
    if (token.kind !== 'words' && token.kind !== 'optional' && !/[{[]/.test(words)) {
      pieces.push({ start, end: text.length, token, others: [{ kind: 'words', text: words }], doubt: null })
    }
  }
  return { text, pieces }

  function said(token: PlainToken, next: string): string {
    switch (token.kind) {
      case 'words':
        return token.text
      case 'fact':
        return ''
      case 'verb':
        return token.singular
      case 'describing':
        return token.example
      case 'article':
        return token.capital ? capitalised(articleBefore(next)) : articleBefore(next)
      case 'name':
        named = true
        return token.possessive ? possessiveOf(name, 'apostrophe and s') : name
      case 'pronoun': {
        if (!named && token.case !== 'reflexive') {
          named = true
          return token.case === 'determiner' || token.case === 'possessive'
            ? possessiveOf(name, 'apostrophe and s')
            : name
        }
        return token.capital ? capitalised(pronouns[token.case]) : pronouns[token.case]
      }
      default:
        return assertNever(token)
    }
  }
}

/** What is said after an article. */
function nextWords(tokens: readonly Token[], token: PlainToken): string {
  const [next] = tokensWith(tokens, {})
    .slice(tokensWith(tokens, {}).indexOf(token) + 1)
    .filter((each) => each.kind !== 'words' || each.text.trim() !== '')
  return next?.kind === 'describing' ? next.example : next?.kind === 'words' ? next.text.trim() : 'word'
}
