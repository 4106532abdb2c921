import type { PronounSet } from '../../people/pronouns'
import { formsOf, he, she, they } from '../../people/pronouns'
import { anyOf, oneOf } from '../../text/pattern'
import { writePhrase, type PlainToken } from '../notation'
import { contraction } from './contractions'
import {
  beginReading,
  piece,
  type Frame,
  type FramePiece,
  type FrameSetting,
  type FrameWord,
  type Reading,
} from './frame'
import { recognisePronoun } from './recognisePronoun'
import { recogniseVerb } from './recogniseVerb'
import { alsoNouns, betweenSubjectAndVerb, irregularPast, singularVerbs } from './verbWords'

/**
 * Finds what varies in a sentence that was written about one student: the name, the pronouns in each case, the verbs
 * that must agree with them, the describing words that may be exchanged, and the articles that go with those.
 * Whatever can be read in two ways is marked with a question, the likelier reading first.
 *
 * @example frameNotation(recogniseFrame('Maya reads with her class.', maya)) // '{Name} {reads} with {their} class.'
 */
export function recogniseFrame(text: string, setting: FrameSetting): Frame {
  const words = cutIntoWords(text)
  const name = findName(words, setting)
  const set = findSet(words, name, setting.pronounSets)
  const reading = beginReading(words, name, set)
  const pieces: FramePiece[] = []
  words.forEach((word, at) => {
    const piece =
      recogniseName(word, at, reading, setting) ??
      recognisePronoun(word, at, reading) ??
      recogniseVerb(word, at, reading) ??
      recogniseDescribing(word, at, reading, setting)
    if (!piece) return
    const article = piece.token.kind === 'describing' ? recogniseArticle(words[at - 1]) : null
    if (article) pieces.push(article)
    pieces.push(piece)
  })
  return { text, pieces }
}

/**
 * A frame in the notation.
 * @example frameNotation(recogniseFrame('Maya reads to her class.', setting)) // '{Name} {reads} to {their} class.'
 */
export function frameNotation(frame: Frame): string {
  return writePhrase(frameTokens(frame))
}

/** A frame as a phrase's tokens. */
export function frameTokens(frame: Frame): PlainToken[] {
  return frameParts(frame).map(({ text, piece: found }) => found?.token ?? { kind: 'words', text })
}

/**
 * A frame's text cut at what varies, in order; `piece` is null where the words are fixed.
 * @example frameParts(recogniseFrame('Maya reads.', setting)).map((part) => part.text) // ['Maya', ' ', 'reads', '.']
 */
export function frameParts({ text, pieces }: Frame): { text: string; piece: FramePiece | null }[] {
  const parts: { text: string; piece: FramePiece | null }[] = []
  let from = 0
  for (const found of pieces) {
    parts.push(
      { text: text.slice(from, found.start), piece: null },
      { text: text.slice(found.start, found.end), piece: found },
    )
    from = found.end
  }
  return [...parts, { text: text.slice(from), piece: null }].filter((part) => part.text !== '')
}

/**
 * The frame with another reading of one of its pieces; the reading it had is kept among the others.
 *
 * @example readOtherwise(frame, 2, 0) // the third piece as the first of its other readings
 */
export function readOtherwise(frame: Frame, which: number, other: number): Frame {
  return {
    ...frame,
    pieces: frame.pieces.map((piece, at) => {
      const token = piece.others[other]
      if (at !== which || !token) return piece
      return {
        ...piece,
        token,
        doubt: null,
        others: piece.others.map((each, index) => (index === other ? piece.token : each)),
      }
    }),
  }
}

/**
 * The words of a text with their places; what stands in braces is notation and no word.
 * @example
 * cutIntoWords('{Name} reads. So do we.').map((word) => [word.lower, word.sentence])
 * // [['reads', 0], ['so', 1], ['do', 1], ['we', 1]]
 */
export function cutIntoWords(text: string): FrameWord[] {
  // What stands in braces already is notation, and stays.
  const written = [...text.matchAll(/\{[^}]*\}/g)].map((match) => ({
    start: match.index,
    end: match.index + match[0].length,
  }))
  const found = [...text.matchAll(/\p{L}[\p{L}\p{M}]*(?:[’'-]\p{L}+)*(?:[’'](?![\p{L}]))?/gu)].filter(
    (match) => !written.some((slot) => match.index >= slot.start && match.index < slot.end),
  )
  let sentence = 0
  return found.map((match, at): FrameWord => {
    const start = match.index
    const before = found[at - 1]
    const gap = before ? text.slice(before.index + before[0].length, start) : ''
    if (/[.!?]/.test(gap)) sentence += 1
    // Of "she's" only the pronoun is a word of its own here.
    const word = match[0].replace(contraction, '$1')
    const after = text.slice(start + match[0].length)
    return {
      text: word,
      lower: word.toLocaleLowerCase('en').replace('’', "'"),
      start,
      end: start + word.length,
      sentence,
      afterComma: /[,;:]/.test(gap),
      beforeStop: /^\s*([.,;:!?)”"]|$)/.test(after),
    }
  })
}

/**
 * The first known name; else a capitalised word that stands like one: before a verb, with ’s, or inside a sentence.
 */
function findName(words: readonly FrameWord[], { names, pronounSets }: FrameSetting): string {
  const known = words.find((word) => names.includes(bareName(word.text)))
  if (known) return bareName(known.text)
  const likely = words.find(
    (word, at) =>
      // A capital by itself is a mark, seldom a name: "an A is a good mark".
      /^\p{Lu}[\p{L}’'-]/u.test(word.text) &&
      // "In PE": no name has capitals only.
      !/^\p{Lu}{2,}$/u.test(word.text) &&
      !capitalByHabit.test(word.text) &&
      // "The Vikings", "a Roman villa", "in Europe", "on Tuesdays".
      !/^(the|an?|these|those|our|some|all|many|in|on|at|from|near|through|across)$/.test(words[at - 1]?.lower ?? '') &&
      !pronounSets.some((set) => wordsOf(set).has(word.lower)) &&
      (words[at - 1]?.sentence === word.sentence ||
        (looksLikeSubject(words[at + 1]) && !alsoNouns.has(words[at + 1]?.lower ?? '') && !/ing$/.test(word.text)) ||
        /[’']s$/.test(word.text)),
  )
  return likely ? bareName(likely.text) : ''
}

const capitalByHabit = new RegExp(
  `^${anyOf(`
    I What Which Who How Why Where Nobody Everybody Somebody Anybody Everyone Someone All Each Both Please Thank
    Well The This That These Those It There At In On With When While After Before Our We My He She They His Her
    Their English French German Spanish Latin Polish Turkish Arabic Italian Portuguese Chinese Japanese Russian
    Urdu Hindi Welsh Irish Dutch Ukrainian Romanian Greek Danish Swedish Norwegian
    Monday Tuesday Wednesday Thursday Friday Saturday Sunday January
    February March April May June July August September October November December Autumn Winter Spring
    Summer Christmas Easter Internet Maths Romans? Vikings? Greeks? Egyptians? Tudors? Victorians?`)}(?:s|[’']s)?$`,
)

function looksLikeSubject(next: FrameWord | undefined): boolean {
  return (
    next !== undefined &&
    (singularVerbs.has(next.lower) ||
      /^(had|can|cannot|could|will|would|should|might|must|may|did|\p{L}+ed|\p{L}+n't)$/u.test(next.lower) ||
      irregularPast.has(next.lower))
  )
}

/**
 * A name without its possessive ending.
 *
 * @example bareName('Maya’s') // 'Maya'
 */
export function bareName(word: string): string {
  return word.replace(/[’']s?$/, '')
}

/** The pronouns that speak of the student: the set with most of its words in the text. */
function findSet(words: readonly FrameWord[], name: string, more: readonly PronounSet[]): PronounSet | null {
  const sets = [she, he, they, ...more]
  // "She notices patterns and tests them": who opens the text is the student.
  const opening = sets.find((set) => set !== they && set.subject === words[0]?.lower)
  if (opening) return opening
  const counts = sets.map((set) => {
    const forms = wordsOf(set)
    const weight = set === they && name !== '' ? 0.6 : 1
    return weight * words.filter((word) => forms.has(word.lower)).length
  })
  const most = Math.max(...counts)
  return most > 0 ? (sets[counts.indexOf(most)] ?? null) : null
}

/** The words of a set; of "they" both "themself" and "themselves" are written. */
function wordsOf(set: PronounSet): ReadonlySet<string> {
  const forms = formsOf(set)
  return new Set(set === they ? [...forms, 'themselves'] : forms)
}

function recogniseName(word: FrameWord, at: number, reading: Reading, setting: FrameSetting): FramePiece | null {
  if (bareName(word.text) !== reading.name) return null
  const plain: PlainToken = { kind: 'words', text: word.text }
  const possessive = word.text !== reading.name
  const opens = reading.words[at - 1]?.sentence !== word.sentence
  const name: PlainToken = { kind: 'name', form: 'used', possessive }
  if (possessive) {
    const owner: PlainToken = { kind: 'pronoun', case: 'determiner', capital: opens, withoutPronoun: null }
    return piece(word, name, [owner, plain])
  }
  const isSubject =
    !isDoneTo(reading, at) && (looksLikeSubject(reading.words[at + 1]) || adverbAndVerb(reading, at + 1))
  const next = reading.words[at + 1]
  const goesOn = next?.afterComma === true && goesOnLater.test(next.lower)
  if (isSubject || goesOn) {
    reading.subjectAt = at
    reading.plural = false
    reading.namedIn = word.sentence
    reading.goesOn = goesOn
  }
  const pronoun: PlainToken = {
    kind: 'pronoun',
    case: isSubject ? 'subject' : 'object',
    capital: opens,
    withoutPronoun: null,
  }
  return isSubject && !setting.alwaysNamed ? piece(word, pronoun, [name, plain]) : piece(word, name, [pronoun, plain])
}

/** "Nora, who likes order, labels …", "Emil, once he is sure, explains …": the verb comes after the next comma. */
const goesOnLater = oneOf(
  `who whose like unlike with without now even once when while if although though as after before unless because since`,
)

/** "The next step for Emil is …", "what helps Emil is …": what follows is no verb of the name's. */
function isDoneTo(reading: Reading, at: number): boolean {
  const before = reading.words[at - 1]
  const word = reading.words[at]
  if (!before || before.sentence !== word?.sentence || word.afterComma) return false
  if (/^(for|of|with|by|from|about|to|at|like)$/.test(before.lower)) return true
  const first = reading.words.find(({ sentence }) => sentence === word.sentence)
  return first?.lower === 'what' && singularVerbs.has(before.lower)
}

/** "Hardly ever forgets": one adverb or two. */
function adverbAndVerb(reading: Reading, at: number): boolean {
  const [next, second, third] = reading.words.slice(at, at + 3)
  if (!next || !betweenSubjectAndVerb.test(next.lower)) return false
  return (
    looksLikeSubject(second) ||
    (second !== undefined && betweenSubjectAndVerb.test(second.lower) && looksLikeSubject(third))
  )
}

function recogniseDescribing(word: FrameWord, at: number, reading: Reading, setting: FrameSetting): FramePiece | null {
  const next = reading.words[at + 1]
  // A describing word stands before what it describes.
  if (
    !setting.describing.has(word.text) ||
    !next ||
    word.beforeStop ||
    /^(and|or|but|at|in|on|with|of|to)$/.test(next.lower)
  )
    return null
  return piece(word, { kind: 'describing', example: word.text }, [{ kind: 'words', text: word.text }])
}

function recogniseArticle(before: FrameWord | undefined): FramePiece | null {
  if (!before || !/^an?$/i.test(before.text)) return null
  return piece(before, { kind: 'article', capital: before.text.startsWith('A') }, [
    { kind: 'words', text: before.text },
  ])
}
