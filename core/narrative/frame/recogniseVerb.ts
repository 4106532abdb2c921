import type { PlainToken } from '../notation'
import { piece, type FramePiece, type FrameWord, type Reading } from './frame'
import { alsoNouns, betweenSubjectAndVerb, pluralVerbs, singularVerbs } from './verbWords'

/** What a verb is followed by, and a plural noun seldom: an object, a preposition, a question word. */
export const afterVerb =
  /^(the|a|an|this|that|these|those|it|them|him|her|his|their|its|our|my|to|how|why|what|when|where|which|who|whether|if|in|on|at|with|for|from|into|out|up|down|over|about|by|back|well|each|every|all|any|some|most|more|both|one|two|three|several|many|few|little|plenty|time|no|not|good|better|best|again|others|there|here|\p{L}+ly)$/iu

/**
 * Reads a verb that must agree with the student: right after the subject, or joined to an earlier verb of the
 * student's.
 */
export function recogniseVerb(word: FrameWord, at: number, reading: Reading): FramePiece | null {
  const subject = reading.words[reading.subjectAt]
  if (!subject || subject.sentence !== word.sentence) return null
  const singular = reading.plural ? pluralVerbs.get(word.lower) : singularVerbs.has(word.lower) ? word.lower : undefined
  if (singular === undefined || word.text !== word.text.toLocaleLowerCase('en')) return null
  const place = placeOf(at, reading)
  if (place === 'elsewhere') return null
  const verb: PlainToken = { kind: 'verb', singular }
  const plain: PlainToken = { kind: 'words', text: word.text }
  const next = reading.words[at + 1]
  const followed = next !== undefined && !word.beforeStop && afterVerb.test(next.lower)
  if (place === 'after subject' || followed || !alsoNouns.has(singular)) {
    reading.subjectAt = at
    return piece(word, verb, [plain])
  }
  const question = `Is “${word.text}” something the student does, or are these things?`
  // "plans and reports": two things; "plans well": a verb.
  const things = word.beforeStop || /^(and|or|of)$/.test(next?.lower ?? '')
  if (!things) reading.subjectAt = at
  return things ? piece(word, plain, [verb, plain], question) : piece(word, verb, [plain], question)
}

/** Whether a word stands where the student's verb can stand. */
function placeOf(at: number, reading: Reading): 'after subject' | 'joined' | 'elsewhere' {
  let before = at - 1
  while (before > reading.subjectAt && betweenSubjectAndVerb.test(reading.words[before]?.lower ?? '')) before -= 1
  // "runs, jumps and throws", "plays fairly, thinks ahead": a comma right after a verb of the student's goes on with
  // verbs.
  if (before === reading.subjectAt && (!isVerbAt(reading, before) || reading.words[at]?.afterComma))
    return 'after subject'
  const link = reading.words[before]
  if (link && /^(and|or|but|yet)$/.test(link.lower)) return 'joined'
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
