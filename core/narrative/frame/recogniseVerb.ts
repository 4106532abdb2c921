import { oneOf } from '../../text/pattern'
import type { PlainToken } from '../notation'
import { piece, type FramePiece, type FrameWord, type Reading } from './frame'
import { alsoNouns, betweenSubjectAndVerb, irregularPast, pluralVerbs, singularVerbs } from './verbWords'

/** What a verb is followed by, and a plural noun seldom: an object, a preposition, a question word. */
export const afterVerb = oneOf(
  String.raw`the a an this that these those it them him her his their its our my to how why what when where which who
    whether if in on at with for from into out up down over about by back well each every all any some most more
    both one two three several many few little plenty time no not good better best again others there here
    \p{L}+ly`,
  'iu',
)

/**
 * Reads a verb that must agree with the student: right after the subject, or joined to an earlier verb of the
 * student's.
 */
export function recogniseVerb(word: FrameWord, at: number, reading: Reading): FramePiece | null {
  const asked = askedOf(word, at, reading)
  if (asked) return asked
  const subject = reading.words[reading.subjectAt]
  if (!subject || subject.sentence !== word.sentence) return null
  if (reading.plural && isItsOwnPast.test(word.lower) && tellsOfThen(at, reading)) return null
  const place = placeOf(at, reading)
  const singular = singularOf(word, place, reading)
  if (singular === undefined || word.text !== word.text.toLocaleLowerCase('en')) return null
  if (place === 'elsewhere' || (reading.plural && place === 'joined' && goesOnAsInfinitive(at, reading))) return null
  const verb: PlainToken = { kind: 'verb', singular }
  const plain: PlainToken = { kind: 'words', text: word.text }
  const next = reading.words[at + 1]
  const followed = next !== undefined && !word.beforeStop && afterVerb.test(next.lower)
  // "And always tries", "then cuts": only a verb follows an adverb or "then".
  const before = reading.words[at - 1]?.lower ?? ''
  const afterAdverb =
    before === 'then' || (betweenSubjectAndVerb.test(before) && !/^(both|either|neither|no)$/.test(before))
  if (place === 'after subject' || followed || afterAdverb || !alsoNouns.has(singular)) {
    reading.subjectAt = at
    reading.verbsAt.add(at)
    return piece(word, verb, [plain])
  }
  const question = `Is “${word.text}” something the student does, or are these things?`
  // "plans and reports": two things; "plans well": a verb.
  const things =
    next?.lower === reading.set?.subject ||
    (!goesOnWithVerb(at, reading) &&
      (word.beforeStop ||
        /^(and|or)$/.test(next?.lower ?? '') ||
        (next?.lower === 'of' && !/^(talk|dream)s?$/.test(word.lower))))
  if (!things) {
    reading.subjectAt = at
    reading.verbsAt.add(at)
  }
  return things ? piece(word, plain, [verb, plain], question) : piece(word, verb, [plain], question)
}

const modal = /^(can|could|will|would|shall|should|must|may|might)(n't)?$|^(cannot|can't|won't|(do|does|did)n't)$/

/** What somebody is, has or knows: "they like to work alone and find groups hard". */
const ofBeing =
  /^(are|have|find|know|need|want|like|love|seem|feel|think|believe|get|understand|do|don't|aren't|haven't)$/

/** "They can read and write", "they need to slow down and check": as the verb before it, not as the student's. */
function goesOnAsInfinitive(at: number, { words, subjectAt, verbsAt }: Reading): boolean {
  const between = words.slice(subjectAt + 1, at).map(({ lower }) => lower)
  if (!/^(and|or|then)$/.test(between.at(-1) ?? '') && words[at]?.afterComma !== true) return false
  if (between.some((word) => /^(but|yet|so|because|when|if|although|though|who|which)$/.test(word))) return false
  const first = between.find((word) => !betweenSubjectAndVerb.test(word)) ?? ''
  const own = words[subjectAt]?.lower ?? ''
  const hasModal = modal.test(verbsAt.has(subjectAt) ? own : first)
  // "Can be trusted and know it"
  if (hasModal) return !between.includes('be')
  const verb = between.lastIndexOf('to') + 1
  return verb > 0 && pluralVerbs.has(between[verb] ?? '') && !ofBeing.test(words[at]?.lower ?? '')
}

/** "Takes turns, shares and says thank you": a row of verbs, by its last. */
function goesOnWithVerb(at: number, { words, plural }: Reading): boolean {
  const [word, link, last] = words.slice(at, at + 3)
  const singular = plural ? pluralVerbs.get(last?.lower ?? '') : last?.lower
  return (
    word?.afterComma === true &&
    link?.lower === 'and' &&
    singular !== undefined &&
    singularVerbs.has(singular) &&
    !alsoNouns.has(singular)
  )
}

/** "They cut": now or then. */
const isItsOwnPast = /^(cut|put|set|hit|let|shut|cost|spread|split|hurt|read)$/

/** "They measured twice before they cut": what stands with something that is past is past. */
function tellsOfThen(at: number, { words }: Reading): boolean {
  const own = words.filter(({ sentence }) => sentence === words[at]?.sentence)
  const from = own.findIndex((word) => word === words[at])
  // "They read the map while the others rowed."
  const link = own.findIndex(({ lower }, nth) => nth > from && /^(while|when|before|until)$/.test(lower))
  return [...own.slice(0, from), ...(link < 0 ? [] : own.slice(link))].some(
    ({ lower }) => /\p{L}{3}ed$/u.test(lower) || (irregularPast.has(lower) && !isItsOwnPast.test(lower)),
  )
}

type Place = 'after subject' | 'joined' | 'elsewhere'

/** "Has she?", "so does he": a verb before its subject. */
function askedOf(word: FrameWord, at: number, reading: Reading): FramePiece | null {
  const next = reading.words[at + 1]
  // "It was she who stood up": it was.
  const isIts = /^(it|that|this)$/.test(reading.words[at - 1]?.lower ?? '')
  if (next?.lower !== reading.set?.subject || word.beforeStop || isIts) return null
  const singular = reading.set?.takesPluralVerb
    ? pluralVerbs.get(word.lower)
    : /^(has|is|was|does|hasn't|isn't|wasn't|doesn't)$/.test(word.lower)
      ? word.lower
      : undefined
  if (singular === undefined || !/^(has|is|was|does|hasn't|isn't|wasn't|doesn't)$/.test(singular)) return null
  return piece(word, { kind: 'verb', singular }, [{ kind: 'words', text: word.text }])
}

/** The form after "she" of a word that can be a verb here; right after "she" or "he" that need be no known verb. */
function singularOf(word: FrameWord, place: Place, reading: Reading): string | undefined {
  // "Wren says what they think and thinks before they speak": the second verb is the name's again.
  const isOfName = place === 'joined' && reading.namedIn === word.sentence && !pluralVerbs.has(word.lower)
  if (reading.plural && !isOfName) return pluralVerbs.get(word.lower)
  if (singularVerbs.has(word.lower)) return word.lower
  const subject = reading.words[reading.subjectAt]
  const isPronoun = subject !== undefined && subject.lower === reading.set?.subject
  return place === 'after subject' &&
    isPronoun &&
    /[^su]s$/.test(word.lower) &&
    !/^(his|always|perhaps|sometimes)$/.test(word.lower)
    ? word.lower
    : undefined
}

/** Whether a word stands where the student's verb can stand. */
function placeOf(at: number, reading: Reading): Place {
  // "Measures, then cuts"; "Nora, who likes order, labels".
  if (reading.words[at - 1]?.lower === 'then' && reading.subjectAt < at - 1) return 'joined'
  let before = at - 1
  while (before > reading.subjectAt && betweenSubjectAndVerb.test(reading.words[before]?.lower ?? '')) before -= 1
  if (reading.goesOn && reading.namedIn === reading.words[at]?.sentence && reading.words[before + 1]?.afterComma)
    return 'joined'
  // "runs, jumps and throws", "plays fairly, thinks ahead": a comma right after a verb of the student's goes on with
  // verbs.
  if (before === reading.subjectAt && (!isVerbAt(reading, before) || reading.words[at]?.afterComma))
    return 'after subject'
  const link = reading.words[before]
  if (link && /^(and|or|but|yet|nor|then)$/.test(link.lower)) return 'joined'
  // In a row of three, commas part the first two.
  return reading.words[at]?.afterComma && before === at - 1 && laterAnd(at, reading) ? 'joined' : 'elsewhere'
}

function isVerbAt(reading: Reading, at: number): boolean {
  const word = reading.words[at]?.lower ?? ''
  return word !== reading.name.toLocaleLowerCase('en') && (singularVerbs.has(word) || pluralVerbs.has(word))
}

function laterAnd(at: number, reading: Reading): boolean {
  const sentence = reading.words[at]?.sentence
  return reading.words.slice(at + 1).some((word) => word.sentence === sentence && word.lower === 'and')
}
