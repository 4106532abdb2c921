import type { PronounSet } from '../people/pronouns'

/** A pronoun's case. */
export type PronounCase = keyof Omit<PronounSet, 'takesPluralVerb'>

/** What a student's record can lend to a sentence. */
export const factNames = ['subject', 'term', 'skill', 'habit', 'best work'] as const
export type FactName = (typeof factNames)[number]

/** A piece of a phrase: fixed words, or something that varies from student to student. */
export type Token =
  | { kind: 'words'; text: string }
  | { kind: 'name'; possessive: boolean }
  | { kind: 'pronoun'; case: PronounCase; capital: boolean }
  | { kind: 'verb'; singular: string }
  | { kind: 'article'; capital: boolean }
  | { kind: 'describing'; example: string }
  | { kind: 'fact'; fact: FactName }

/** A phrase that cannot be read: where, and what was expected there. */
export class NotationError extends Error {
  constructor(
    readonly position: number,
    readonly expected: string,
  ) {
    super(`At character ${position + 1}: ${expected}`)
    this.name = 'NotationError'
  }
}

const pronounWords: Record<string, PronounCase> = {
  they: 'subject', them: 'object', their: 'determiner', theirs: 'possessive', themself: 'reflexive',
}

/**
 * Reads a phrase in Facunda's notation (docs/formats.md): plain English with the words that vary in braces, each
 * written so that it can be read aloud.
 *
 * | written | stands for |
 * |---|---|
 * | {Name} {Name's} | the name, always |
 * | {They} {they} {them} {their} {theirs} {themself} | the pronoun in that case; at first mention the name |
 * | {writes} {has} | a verb as it follows "she"; it agrees with its subject |
 * | {a} {A} | a or an, by the sound of what follows |
 * | {~careful} | a describing word of the phrase's level, this one or another |
 * | {#skill} | a fact: subject, term, skill, habit, best work |
 *
 * @throws NotationError
 */
export function parsePhrase(text: string): Token[] {
  const tokens: Token[] = []
  let at = 0
  while (at < text.length) {
    const open = text.indexOf('{', at)
    const stray = text.indexOf('}', at)
    if (stray >= 0 && (open < 0 || stray < open)) throw new NotationError(stray, 'a “{” before this “}”.')
    if (open < 0) {
      tokens.push({ kind: 'words', text: text.slice(at) })
      break
    }
    if (open > at) tokens.push({ kind: 'words', text: text.slice(at, open) })
    const close = text.indexOf('}', open)
    const nested = text.indexOf('{', open + 1)
    if (close < 0 || (nested >= 0 && nested < close)) throw new NotationError(open, 'a “}” that closes this “{”.')
    tokens.push(readSlot(text.slice(open + 1, close), open))
    at = close + 1
  }
  return tokens
}

function readSlot(slot: string, position: number): Token {
  const word = slot.replace('’', "'")
  if (word === 'Name') return { kind: 'name', possessive: false }
  if (word === "Name's") return { kind: 'name', possessive: true }
  if (word === 'a' || word === 'A') return { kind: 'article', capital: word === 'A' }
  const pronoun = pronounWords[word.toLocaleLowerCase('en')]
  if (pronoun) return { kind: 'pronoun', case: pronoun, capital: /^[A-Z]/.test(word) }
  if (word.startsWith('~')) return readDescribing(word.slice(1), position)
  if (word.startsWith('#')) return readFact(word.slice(1), position)
  if (/^[a-z]+(n't)?$/.test(word) && (word.endsWith('s') || word.endsWith("n't"))) return { kind: 'verb', singular: word }
  throw new NotationError(position, `a name, pronoun, verb (“writes”), {a}, {~describing word} or {#fact}; “${slot}” is none of them.`)
}

function readDescribing(example: string, position: number): Token {
  if (!/^[a-z][a-z-]*$/.test(example)) throw new NotationError(position, 'a describing word in small letters after “~”.')
  return { kind: 'describing', example }
}

function readFact(name: string, position: number): Token {
  const fact = factNames.find((known) => known === name)
  if (!fact) throw new NotationError(position, `one of ${factNames.join(', ')} after “#”.`)
  return { kind: 'fact', fact }
}
