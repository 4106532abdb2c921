import { capitalised } from '../narrative/capitals'
import { likelierCase } from '../narrative/frame/recognisePronoun'
import { mayBeSeveral } from '../narrative/frame/whoIsMeant'
import { beginReading, type FrameWord } from '../narrative/frame/frame'
import { cutIntoWords } from '../narrative/frame/recogniseFrame'
import { afterVerb } from '../narrative/frame/recogniseVerb'
import { alsoNouns, betweenSubjectAndVerb, singularVerbs, whoElse } from '../narrative/frame/verbWords'
import type { PronounCase } from '../narrative/notation'
import { possessiveOf } from '../narrative/possessive'
import { formsOf, he, she, they, type Pronouns } from '../people/pronouns'
import type { Student } from '../record/roster'
import { anyOf, oneOf, pattern } from '../text/pattern'
import { explanations } from './explanations'
import type { Check, Finding } from './finding'
import { write } from './finding'

const bothWays = 'his/her her/his him/her her/him he/she she/he s/he his/hers himself/herself herself/himself'

/** "He/she", "(s)he": nobody has chosen yet. */
const bothAtOnce = pattern(String.raw`\b${anyOf(bothWays)}\b`, String.raw`|\(s\)he\b`)

/**
 * A pronoun that is not the student's, or is the student's in a case that cannot stand there, with the right one as
 * the mend; also what is left over of a frame for several: "his/her", "s/he".
 */
export const pronoun: Check = ({ text, student, index }) => {
  const words = cutIntoWords(text)
  const setting = { student, rule: index.record.school.possessives }
  const leftovers = [...text.matchAll(bothAtOnce)]
  const taken = leftovers.map((match) => ({ start: match.index, end: match.index + match[0].length }))
  const left = leftovers.map((match): Finding => {
    const end = match.index + match[0].length
    return {
      check: 'pronoun',
      why: explanations.pronoun.leftOver(match[0], student.usedName),
      start: match.index,
      end,
      mends: mendFor(caseOfLeftover(match[0]), { start: match.index, end }, text, setting),
    }
  })
  const wrong = words.flatMap((word, at): Finding[] => {
    if (taken.some((each) => word.start >= each.start && word.end <= each.end)) return []
    // A child may be called He.
    if (word.text === student.usedName) return []
    const found = foreignCase(word, at, words, student.pronouns) ?? wrongCase(word, at, words, student.pronouns)
    if (!found) return []
    return [
      {
        check: 'pronoun',
        why: explanations.pronoun[found.why](word.text, student.usedName),
        start: word.start,
        end: word.end,
        mends: mendFor(found.case, word, text, setting),
      },
    ]
  })
  return [...left, ...wrong]
}

interface WrongPronoun {
  readonly case: PronounCase
  readonly why: 'notTheirs' | 'cannotStand'
}

/** A pronoun of another set than the student's, in the case in which it stands. */
function foreignCase(
  word: FrameWord,
  at: number,
  words: readonly FrameWord[],
  pronouns: Pronouns,
): WrongPronoun | null {
  for (const set of [she, he, they]) {
    if (pronouns !== 'name only' && (set.subject === pronouns.subject || formsOf(pronouns).includes(word.lower)))
      continue
    if (!formsOf(set).includes(word.lower) && !(set === they && word.lower === 'themselves')) continue
    // "They" may well be others: only where nobody else has been spoken of is it the student.
    if (set === they && word.lower !== 'themself' && (othersBefore(word, at, words) || word.lower === 'themselves'))
      continue
    if (set !== they && whoElse[set.subject]?.test(peopleBefore(word, at, words))) continue
    const cases = (Object.keys(caseNames) as PronounCase[]).filter((each) => set[each] === word.lower)
    const [likely] = likelierCase(cases, word, at, beginReading(words, '', set))
    return { case: likely ?? 'subject', why: 'notTheirs' }
  }
  return null
}

const auxiliary = /^(has|is|was|have|are|were|can|could|will|does|do)$/

/** What follows a verb and no noun. */
const object = /^(the|a|an|no|not|it|him|them|very|well|hard|how|why|what|his|their|help)$/

const caseNames: Record<PronounCase, string> = {
  subject: 'subject',
  object: 'object',
  determiner: 'owner',
  possessive: 'owner',
  reflexive: 'self',
}

function othersBefore(word: FrameWord, at: number, words: readonly FrameWord[]): boolean {
  return words.slice(0, at).some((each) => each.sentence >= word.sentence - 1 && mayBeSeveral(each))
}

function peopleBefore(word: FrameWord, at: number, words: readonly FrameWord[]): string {
  return words
    .slice(0, at)
    .filter((each) => each.sentence >= word.sentence - 1)
    .map((each) => each.lower)
    .join(' ')
}

/** A word in its place, and what stands around it. */
interface Place {
  readonly word: FrameWord
  readonly at: number
  readonly words: readonly FrameWord[]
  readonly pronouns: Exclude<Pronouns, 'name only'>
  readonly before: FrameWord | undefined
  readonly next: FrameWord | undefined
  readonly opens: boolean
  /** Whether a verb follows, by its form alone. */
  readonly verbNext: boolean
}

/** Forms that nobody has; the right one is always the same. */
const noForms = /^(hisself|theirself|theirselves|herselves)$/

/** In which case a pronoun stands, where it cannot, and which one can. */
const misplaced: readonly { as: PronounCase; wanted: PronounCase; where: (place: Place) => boolean }[] = [
  { as: 'object', wanted: 'subject', where: doesSomething },
  { as: 'subject', wanted: 'object', where: isDoneTo },
  { as: 'possessive', wanted: 'determiner', where: isBeforeItsThing },
]

/** The student's own pronoun in a case that cannot stand there. */
function wrongCase(word: FrameWord, at: number, words: readonly FrameWord[], pronouns: Pronouns): WrongPronoun | null {
  if (pronouns === 'name only') return null
  const why = 'cannotStand'
  if (noForms.test(word.lower)) return { case: 'reflexive', why }
  const [before, next] = [words[at - 1], words[at + 1]]
  const opens = before?.sentence !== word.sentence
  const place = { word, at, words, pronouns, before, next, opens, verbNext: isVerbNext(word, next) }
  const rule = misplaced.find(
    ({ as, wanted, where }) => word.lower === pronouns[as] && pronouns[as] !== pronouns[wanted] && where(place),
  )
  return rule ? { case: rule.wanted, why } : null
}

function isVerbNext(word: FrameWord, next: FrameWord | undefined): boolean {
  if (next === undefined || word.beforeStop) return false
  return auxiliary.test(next.lower) || (singularVerbs.has(next.lower) && !alsoNouns.has(next.lower))
}

/** "Him needs" is never right; "her needs" may be two nouns' words, but not before "no" or "the". */
function doesSomething(place: Place): boolean {
  const { word, at, words, pronouns, before, opens, verbNext } = place
  if (!verbNext && !isVerbByWhatFollows(place)) return false
  const clauseBegins = opens || word.afterComma || clauseAfter.test(before?.lower ?? '')
  const isObjectAlone = !pronouns.takesPluralVerb && pronouns.object !== pronouns.determiner
  return clauseBegins || afterFronted(at, words) || isObjectAlone
}

function isVerbByWhatFollows({ word, at, words, pronouns, next }: Place): boolean {
  if (next === undefined || word.beforeStop || !singularVerbs.has(next.lower)) return false
  if (pronouns.object !== pronouns.determiner) return true
  const afterNext = words[at + 2]
  if (afterNext === undefined || next.beforeStop) return false
  // "Her remarks on art": what can be a thing is one, unless an object follows.
  return alsoNouns.has(next.lower)
    ? object.test(afterNext.lower) || isVerbPair(words, at + 2)
    : afterVerb.test(afterNext.lower)
}

/** "Gives she", "with he" */
function isDoneTo({ word, before, next, opens, verbNext }: Place): boolean {
  if (!before || opens || verbNext || !beforeObject.test(before.lower)) return false
  return word.beforeStop || !next || !singularVerbs.has(next.lower)
}

const beforeObject = /^(to|for|with|of|from|by|at|about|between|without|helps|gives|lets|makes|asked|gave|helped)$/

/** "Hers book" */
function isBeforeItsThing({ word, next }: Place): boolean {
  if (next === undefined || word.beforeStop || singularVerbs.has(next.lower)) return false
  return /^(own|work|book|books|best|class|friends|group|partner|ideas|\p{L}+s)$/u.test(next.lower)
}

/** "In a longer book her is": the sentence begins with where or when, and has had no verb before this word. */
function afterFronted(at: number, words: readonly FrameWord[]): boolean {
  const sentence = words.slice(0, at).filter((each) => each.sentence === words[at]?.sentence)
  const [first] = sentence
  // "Nearly always her keeps going"; "…; often her works".
  const clause = sentence.slice(
    Math.max(
      0,
      sentence.findLastIndex(({ afterComma }) => afterComma),
    ),
  )
  if (clause.length > 0 && clause.every(({ lower }) => betweenSubjectAndVerb.test(lower) || lower === 'nearly'))
    return true
  return (
    first !== undefined &&
    sentence.length > 1 &&
    preposition.test(first.lower) &&
    !preposition.test(sentence.at(-1)?.lower ?? '') &&
    !sentence.some((each) => auxiliary.test(each.lower) || singularVerbs.has(each.lower) || /ing$|ed$/.test(each.lower))
  )
}

/** "Finds and uses": what stands beside a verb is one too. */
function isVerbPair(words: readonly FrameWord[], at: number): boolean {
  return /^(and|or)$/.test(words[at]?.lower ?? '') && singularVerbs.has(words[at + 1]?.lower ?? '')
}

/** After these words a clause begins, with its subject. */
const clauseAfter = oneOf(
  `when if because and but what how why while that now then once until since although though where so as before
    after hope believe think know say says said sure glad`,
)
const preposition =
  /^(in|with|among|at|on|during|after|before|for|from|by|about|around|between|of|to|near|beside|without)$/

function caseOfLeftover(leftover: string): PronounCase {
  if (/self/i.test(leftover)) return 'reflexive'
  if (/^(he\/she|she\/he|s\/he|\(s\)he)$/i.test(leftover)) return 'subject'
  return /hers/i.test(leftover) ? 'possessive' : /him/i.test(leftover) ? 'object' : 'determiner'
}

function mendFor(
  which: PronounCase,
  { start, end }: { start: number; end: number },
  text: string,
  { student, rule }: { student: Student; rule: Parameters<typeof possessiveOf>[1] },
): Finding['mends'] {
  const { pronouns } = student
  const owner = which === 'determiner' || which === 'possessive'
  if (pronouns === 'name only')
    return [write(owner ? possessiveOf(student.usedName, rule) : student.usedName, start, end)]
  const word = pronouns[which]
  return [write(/^\p{Lu}/u.test(text.slice(start, end)) ? capitalised(word) : word, start, end)]
}
