import { assertNever } from '../assertNever'
import type { PronounSet } from '../people/pronouns'
import { capitalised } from './capitals'

/** A pronoun's case. */
export type PronounCase = keyof Omit<PronounSet, 'takesPluralVerb'>

/** What a student's record can lend to a sentence. */
export const factNames = [
  'subject',
  'term',
  'skill',
  'habit',
  'strongest skill',
  'weakest skill',
  'does',
  'do',
  'doing',
  'strengths',
  'best work',
  'best work date',
  'best result',
  'mark',
  'trend',
  'attendance',
] as const
export type FactName = (typeof factNames)[number]

/** Which of a student's names: the one in use, the one with the family name, or the family name alone. */
export type NameForm = 'used' | 'full' | 'family'

/** A piece of a phrase: fixed words, or something that varies from student to student. */
export type PlainToken =
  | { kind: 'words'; text: string }
  | { kind: 'name'; form: NameForm; possessive: boolean }
  | { kind: 'pronoun'; case: PronounCase; capital: boolean; withoutPronoun: string | null }
  | { kind: 'verb'; singular: string }
  | { kind: 'article'; capital: boolean }
  | { kind: 'describing'; example: string }
  | { kind: 'fact'; fact: FactName }

/** A piece of a phrase, or words that are left out when a fact in them is not known. */
export type Token = PlainToken | { kind: 'optional'; tokens: PlainToken[] }

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
  they: 'subject',
  them: 'object',
  their: 'determiner',
  theirs: 'possessive',
  themself: 'reflexive',
}

const nameWords: Record<string, NameForm> = { 'Name': 'used', 'Full name': 'full', 'Family name': 'family' }

/**
 * Reads a phrase in Facunda's notation (docs/formats.md): plain English with the words that vary in braces, each
 * written so that it can be read aloud.
 *
 * | written | stands for |
 * |---|---|
 * | {Name} {Name's} {Full name} {Family name} | the name, always |
 * | {They} {they} {them} {their} {theirs} {themself} | the pronoun in that case; at first mention the name |
 * | {their\|the} | the pronoun; after the bar what stands for a student who is only named |
 * | {writes} {has} | a verb as it follows "she"; it agrees with its subject |
 * | {a} {A} | a or an, by the sound of what follows |
 * | {~careful} | a describing word of the phrase's level, this one or another |
 * | {#skill} | a fact: see factNames |
 * | [, best of all in {#best work}] | words that are left out when a fact in them is not known |
 *
 * @throws NotationError
 *
 * @example parsePhrase('{Name} {has} read.') // a name, a space, a verb, and the words ' read.'
 */
export function parsePhrase(text: string): Token[] {
  const tokens: Token[] = []
  let optional: { from: number; tokens: PlainToken[] } | null = null
  for (const { kind, content, at } of pieces(text)) {
    if (kind === 'open') {
      if (optional) throw new NotationError(at, 'a “]” before another “[”.')
      optional = { from: at, tokens: [] }
    } else if (kind === 'close') {
      if (!optional) throw new NotationError(at, 'a “[” before this “]”.')
      if (!optional.tokens.some((token) => token.kind === 'fact'))
        throw new NotationError(optional.from, 'a {#fact} between “[” and “]”, without which the words are left out.')
      tokens.push({ kind: 'optional', tokens: optional.tokens })
      optional = null
    } else {
      const token: PlainToken = kind === 'slot' ? readSlot(content, at) : { kind: 'words', text: content }
      if (optional) optional.tokens.push(token)
      else tokens.push(token)
    }
  }
  if (optional) throw new NotationError(optional.from, 'a “]” that closes this “[”.')
  return tokens
}

interface Piece {
  readonly kind: 'words' | 'slot' | 'open' | 'close'
  readonly content: string
  readonly at: number
}

/** Words, what stands in braces, or a bracket: whatever comes next. */
const nextPiece = /[^{}[\]]+|\{[^{}]*\}|[[\]]/y

/** Cuts a phrase at its braces and brackets. */
function* pieces(text: string): Generator<Piece> {
  for (let at = 0; at < text.length;) {
    nextPiece.lastIndex = at
    const piece = nextPiece.exec(text)?.[0]
    if (piece === undefined)
      throw new NotationError(at, text[at] === '}' ? 'a “{” before this “}”.' : 'a “}” that closes this “{”.')
    const kind = pieceKinds.get(piece[0] ?? '') ?? 'words'
    yield { kind, content: kind === 'slot' ? piece.slice(1, -1) : piece, at }
    at += piece.length
  }
}

const pieceKinds: ReadonlyMap<string, Piece['kind']> = new Map([
  ['[', 'open'],
  [']', 'close'],
  ['{', 'slot'],
])

function readSlot(slot: string, position: number): PlainToken {
  const word = slot.replace('’', "'")
  const form = nameWords[word.replace(/'s$/, '')]
  if (form) return { kind: 'name', form, possessive: word.endsWith("'s") }
  if (word === 'a' || word === 'A') return { kind: 'article', capital: word === 'A' }
  const pronoun = readPronoun(word)
  if (pronoun) return pronoun
  if (word.startsWith('~')) return readDescribing(word.slice(1), position)
  if (word.startsWith('#')) return readFact(word.slice(1), position)
  if (/^[a-z]+(n't)?$/.test(word) && (word.endsWith('s') || word.endsWith("n't")))
    return { kind: 'verb', singular: word }
  throw new NotationError(
    position,
    `a name, pronoun, verb (“writes”), {a}, {~describing word} or {#fact}; “${slot}” is none of them.`,
  )
}

function readPronoun(slot: string): PlainToken | null {
  const [word = '', ...rest] = slot.split('|')
  const known = Object.hasOwn(pronounWords, word.toLocaleLowerCase('en'))
    ? pronounWords[word.toLocaleLowerCase('en')]
    : undefined
  if (known === undefined || rest.length > 1) return null
  return { kind: 'pronoun', case: known, capital: /^[A-Z]/.test(word), withoutPronoun: rest[0] ?? null }
}

function readDescribing(example: string, position: number): PlainToken {
  if (!/^[a-z][a-z-]*$/.test(example))
    throw new NotationError(position, 'a describing word in small letters after “~”.')
  return { kind: 'describing', example }
}

function readFact(name: string, position: number): PlainToken {
  const fact = factNames.find((known) => known === name)
  if (!fact) throw new NotationError(position, `one of ${factNames.join(', ')} after “#”.`)
  return { kind: 'fact', fact }
}

const slotOfCase: Record<PronounCase, string> = {
  subject: 'they',
  object: 'them',
  determiner: 'their',
  possessive: 'theirs',
  reflexive: 'themself',
}
const slotOfName: Record<NameForm, string> = { used: 'Name', full: 'Full name', family: 'Family name' }

/**
 * The inverse of parsePhrase: the same tokens in the notation.
 * @example writePhrase(readPhrase('{They} {reads} well.')) // '{They} {reads} well.'
 */
export function writePhrase(tokens: readonly Token[]): string {
  return tokens
    .map((token) => (token.kind === 'optional' ? `[${writePhrase(token.tokens)}]` : writeToken(token)))
    .join('')
}

function writeToken(token: PlainToken): string {
  switch (token.kind) {
    case 'words':
      return token.text
    case 'name':
      return `{${slotOfName[token.form]}${token.possessive ? "'s" : ''}}`
    case 'pronoun': {
      const word = slotOfCase[token.case]
      return `{${token.capital ? capitalised(word) : word}${token.withoutPronoun === null ? '' : `|${token.withoutPronoun}`}}`
    }
    case 'verb':
      return `{${token.singular}}`
    case 'article':
      return token.capital ? '{A}' : '{a}'
    case 'describing':
      return `{~${token.example}}`
    case 'fact':
      return `{#${token.fact}}`
    default:
      return assertNever(token)
  }
}

/**
 * The tokens that are said when these facts are known: optional words stand only with all their facts.
 * @example tokensWith(tokens of '{Name} {reads}[ with {#mark}].', {}) // the tokens of '{Name} {reads}.'
 */
export function tokensWith(tokens: readonly Token[], facts: Partial<Record<FactName, string>>): readonly PlainToken[] {
  return isPlain(tokens)
    ? tokens
    : tokens.flatMap((token) => {
        if (token.kind !== 'optional') return [token]
        return token.tokens.every((each) => each.kind !== 'fact' || facts[each.fact] !== undefined) ? token.tokens : []
      })
}

function isPlain(tokens: readonly Token[]): tokens is readonly PlainToken[] {
  return tokens.every((token) => token.kind !== 'optional')
}
