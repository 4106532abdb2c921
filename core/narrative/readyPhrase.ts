import { familyNumber } from './familyNumber'
import { nameNumber } from './numbers'
import { lettersOf } from './preference'
import { parsePhrase, type FactName, type PlainToken, type Token } from './notation'
import type { Phrase } from './phrase'
import { contentWords } from './wordFamily'
import { wordNumbers } from './wordNumbers'

/** A phrase with everything about it that does not depend on a student, worked out once. */
export interface ReadyPhrase extends Phrase {
  readonly tokens: readonly Token[]
  /** Facts without which it cannot be said. */
  readonly needs: readonly FactName[]
  /**
   * The numbers of the word families of its fixed content words and verbs, as often as they stand in it; optional
   * words apart.
   */
  readonly families: readonly number[]
  /** What is left out where a fact is not known: the facts, and the families of the fixed words between them. */
  readonly optional: { needs: FactName[]; families: number[] }[]
  /** The examples in its exchangeable slots, in order. */
  readonly slots: readonly string[]
  /** True when its sentence begins with the student. */
  readonly opensWithStudent: boolean
  /** True when it is one plain clause about the student, so that it can share a sentence. */
  readonly joins: boolean
  /** True when it says two things already. */
  readonly isDouble: boolean
  /** How often a student without pronouns would be named in it beyond the first time. */
  readonly namings: number
  /** What is printed whoever the student is, verbs as they follow "she". */
  readonly fixed: string
  /** How many words those are. */
  readonly wordCount: number
  /** The same words as numbers, each once. */
  readonly words: readonly number[]
  /** Characters that are printed whoever the student is. */
  readonly fixedLength: number
  /** The fewest characters that it takes with the gap before it, whoever the student is and whatever its facts say. */
  readonly leastLength: number
  /** Under what the beginning is counted that it shares with others of its make: "the next step". */
  readonly frame: string
  /** Its first two words; empty where it begins with the student. */
  readonly begins: string
  /** Its last words, where they are the same whoever it is about; else empty. */
  readonly ends: string
  /** Its id, as shapeOf has it. */
  readonly shape: string
  /** Its id as preferenceOfEach looks at it. */
  readonly letters: readonly number[]
  /** Its id and its frame as nameNumber has them. */
  readonly idNumber: number
  readonly frameNumber: number
}

const ready = new WeakMap<Phrase, ReadyPhrase>()

/**
 * Reads a phrase once; the same phrase object is never read twice.
 * @throws NotationError
 */
export function readyPhrase(phrase: Phrase): ReadyPhrase {
  const known = ready.get(phrase)
  if (known) return known
  const made = prepare(phrase)
  ready.set(phrase, made)
  return made
}

/** What hangs on a phrase's id and its frame alone. */
type Shape = Pick<ReadyPhrase, 'shape' | 'letters' | 'idNumber' | 'frame' | 'frameNumber'>

export function shapeFor(id: string, frame: string): Shape {
  return { shape: shapeOf(id), letters: lettersOf(id), idNumber: nameNumber(id), frame, frameNumber: nameNumber(frame) }
}

/** How a phrase's words, its beginning and its shape count, where that is not read off its text. */
export type Counts = Shape & Pick<ReadyPhrase, 'families'> & Partial<Pick<ReadyPhrase, 'begins'>>

/** A phrase of nobody's book, of which it is known how its words and its beginning count. */
export function readyAs(phrase: Phrase, counts: Counts): ReadyPhrase {
  return prepare(phrase, counts)
}

function factsIn(tokens: readonly PlainToken[]): FactName[] {
  return tokens.flatMap((token) => (token.kind === 'fact' ? [token.fact] : []))
}

/** What stands in a phrase whoever the student is, its verbs as they follow "she". */
function fixedWords(tokens: readonly PlainToken[]): string {
  return tokens
    .map((token) => (token.kind === 'words' ? token.text : token.kind === 'verb' ? token.singular : ' '))
    .join('')
}

/** "He"; and what a clause loses where it joins another: its full stop and its subject. */
const shortestPronoun = 2
const lostByJoining = 6

/** So many words make a beginning that a reader knows again. */
const wordsOfFrame = 3

/**
 * Under what a beginning is counted, apart from phrases by themselves.
 * @example frameKey('the next step')
 */
export function frameKey(frame: string): string {
  return `frame\u0000\u0000${frame}`
}

/** A wording's shape: with the term before hung on to it, it is still the same. */
export function shapeOf(phraseId: string): string {
  return phraseId.replace(/, as before( in front)?$/, '')
}

function frameOf(text: string): string {
  return frameKey(text.toLowerCase().split(/\s+/).slice(0, wordsOfFrame).join(' '))
}

/** So many words make an ending that a reader knows again: “up from the autumn”. */
const wordsOfEnding = 4

function endOf(text: string): string {
  const words = text
    .toLowerCase()
    .replace(/[.!?]$/, '')
    .split(' ')
    .slice(-wordsOfEnding)
  return words.length < wordsOfEnding || /[{}]/.test(words.join('')) ? '' : words.join(' ')
}

function prepare(phrase: Phrase, counts?: Counts): ReadyPhrase {
  const tokens = parsePhrase(phrase.text.trim())
  const plain = tokens.filter((token) => token.kind !== 'optional')
  const fixed = fixedWords(plain).replace(/ {2,}/g, ' ')
  const first = tokens[0]
  // What tells a strength and a difficulty in one is contrast enough.
  const joins =
    !phrase.uneven &&
    first?.kind === 'pronoun' &&
    first.case === 'subject' &&
    phrase.text.length <= 110 &&
    !/[.!?;:](?=.)|, (and|but|so|yet) /.test(phrase.text)
  const opensWithStudent =
    first?.kind === 'name' || (first?.kind === 'pronoun' && (first.case === 'subject' || first.case === 'determiner'))
  const people = plain.filter(
    (token) => token.kind === 'name' || (token.kind === 'pronoun' && token.withoutPronoun === null),
  ).length
  const { shape, letters, idNumber, frame, frameNumber } = counts ?? shapeFor(phrase.id, frameOf(phrase.text))
  return {
    // Each by its name: spread, every phrase would be an object of a make of its own, and slow to read from.
    id: phrase.id,
    subject: phrase.subject,
    part: phrase.part,
    about: phrase.about,
    tiers: phrase.tiers,
    uneven: phrase.uneven,
    moves: phrase.moves,
    text: phrase.text,
    claims: phrase.claims,
    tone: phrase.tone,
    grades: phrase.grades,
    owner: phrase.owner,
    tokens,
    needs: factsIn(plain),
    families: counts?.families ?? contentWords(fixed).map(familyNumber),
    optional: tokens.flatMap((token) =>
      token.kind === 'optional'
        ? [{ needs: factsIn(token.tokens), families: contentWords(fixedWords(token.tokens)).map(familyNumber) }]
        : [],
    ),
    slots: plain.flatMap((token) => (token.kind === 'describing' ? [token.example] : [])),
    opensWithStudent,
    begins: opensWithStudent ? '' : (counts?.begins ?? phrase.text.toLowerCase().split(' ', 2).join(' ')),
    ends: endOf(phrase.text),
    joins,
    isDouble: /,| and /.test(phrase.text),
    namings: Math.max(0, people - 1),
    fixed,
    wordCount: fixed.split(' ').length,
    words: wordNumbers(fixed),
    fixedLength: fixed.length,
    leastLength: fixed.length + 1 + shortestPronoun * people - (joins ? lostByJoining : 0),
    frame,
    shape,
    letters,
    idNumber,
    frameNumber,
  }
}
