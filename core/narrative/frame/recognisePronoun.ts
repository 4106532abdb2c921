import { they } from '../../people/pronouns'
import { anyOf, oneOf } from '../../text/pattern'
import type { PlainToken, PronounCase } from '../notation'
import { piece, type FramePiece, type FrameWord, type Reading } from './frame'
import { pluralVerbs } from './verbWords'
import { whoIsMeant } from './whoIsMeant'

/** After these "her" and "them" are often who something is done to: "helps her finish", "gave her extra practice". */
const doneTo = new RegExp(
  `^(?:${anyOf(`
    help let make see watch hear give show tell teach ask offer bring send allow find lend get`)}(?:s|es|ed)?|${anyOf(`
    made saw seen heard gave given shown told taught brought sent found lent got helping letting making giving
    showing telling teaching asking hearing seeing watching finding bringing sending reminding encouraging
    getting having showed asked helped`)})$`,
)

/** Words that cannot be owned: after one of these "her" stands alone. */
const notOwned = oneOf(
  `to in on at with for from of by and or but so as than when while if because that who which what how why
    where a an the each every all any some both another this these into out up down off away along together aside
    apart ahead about after before during far further beyond past over under behind between among beside
    near round around home forward back
    through well best better more most much
    very also too again now here there today is was has had can will would could should`,
)

/** What can be owned, or describes what is, though it ends as adverbs do: "her family", "his lovely drawings". */
const ownedThoughLy = oneOf(
  `family assembly reply fly butterfly belly jelly lily ally supply rally lovely friendly lively lonely silly ugly
    early only daily weekly monthly yearly orderly costly elderly homely jolly timely wobbly curly bubbly smelly likely
    wrinkly melancholy`,
)

/** "Tries her best", "at her best". */
const doesBest = /^(try|tries|tried|trying|do|does|did|done|doing|gives?|gave|given|giving|at)$/

/** "Makes her writing a joy to read": what is said of the thing, not who does it. */
const saidOfThing = /^(a|an|so|such|easy|easier|hard|harder|clear|clearer|better|more|stand|come|shine)$/

/** Verbs after which somebody does what the next verb says. */
const hasDone = /^(help|let|make|see|watch|hear)(s|ed|ing)?$|^(made|saw|seen|heard|letting|making|having)$/

/** What stands between a student and what the student does: "will need to show", "has begun to ask". */
const leadsToVerb = oneOf(
  String.raw`will would can could should must may might needs? has have had to is are was were be been and learning
    learnt learned tries try trying wants? likes? began begun beginning able happy willing ready going starts?
    starting \p{L}+ly always often usually never now also since yet long`,
  'u',
)

/** Things in "-ing" that a student has: "show her working". */
const madeByStudents = oneOf(
  `working thinking writing handwriting reading spelling drawing painting reasoning understanding meaning
    timing planning recording learning`,
)

/** Reads a pronoun in its case, when it speaks of the student. */
export function recognisePronoun(word: FrameWord, at: number, reading: Reading): FramePiece | null {
  const { set } = reading
  const opens = reading.words[at - 1]?.sentence !== word.sentence
  const plain: PlainToken = { kind: 'words', text: word.text }
  const token = (which: PronounCase): PlainToken => ({
    kind: 'pronoun',
    case: which,
    capital: opens && /^\p{Lu}/u.test(word.text),
    withoutPronoun: null,
  })
  if (!set) return null
  if (set !== they && set.subject !== 'they' && isTheirs(word.lower)) {
    return piece(word, plain, [token(isTheirs(word.lower) ?? 'subject'), plain], mayBeOthers(word.text))
  }
  const [first, second] = likelierCase(casesOf(word, set), word, at, reading)
  if (!first) return null
  const who = whoIsMeant(first, at, reading)
  if (who === 'others') {
    const others = [token(first), ...(second ? [token(second.case)] : []), plain]
    return piece(word, plain, others, mayBeOthers(word.text))
  }
  if (first === 'subject') {
    reading.subjectAt = at
    reading.plural = set.takesPluralVerb
  }
  if (who === 'perhaps others') return piece(word, token(first), [plain], mayBeOthers(word.text))
  if (!second) return piece(word, token(first), [plain])
  return piece(word, token(first), [token(second.case), plain], second.sure ? null : questionOf(word.text, first))
}

function isTheirs(word: string): PronounCase | null {
  const cases: Record<string, PronounCase> = {
    they: 'subject',
    them: 'object',
    their: 'determiner',
    theirs: 'possessive',
    themself: 'reflexive',
    themselves: 'reflexive',
  }
  return cases[word] ?? null
}

function casesOf(word: FrameWord, set: Exclude<Reading['set'], null>): PronounCase[] {
  const cases: PronounCase[] = ['subject', 'object', 'determiner', 'possessive', 'reflexive']
  const found = cases.filter((each) => set[each] === word.lower)
  return set === they && word.lower === 'themselves' ? ['reflexive'] : found
}

/**
 * The likelier case and, where one word serves two, the other one, with whether there is any doubt.
 * @example
 * “her” in 'She keeps her work.' // ['determiner', { case: 'object', sure: true }]: it belongs to her, surely
 */
export function likelierCase(
  cases: readonly PronounCase[],
  word: FrameWord,
  at: number,
  reading: Reading,
): [PronounCase | null, { case: PronounCase; sure: boolean } | null] {
  const owner = cases.includes('determiner')
  const alone = cases.find((each) => each !== 'determiner')
  if (!owner || !alone) return [cases[0] ?? null, null]
  const next = reading.words[at + 1]
  const before = reading.words[at - 1]
  // "It was her best", "her best work": what somebody has, not how well.
  const after = reading.words[at + 2]
  const isHad =
    next?.lower === 'best' &&
    (alone === 'possessive' ||
      doesBest.test(before?.lower ?? '') ||
      (next.beforeStop ? /^(is|are|was|were|be)$/.test(before?.lower ?? '') : !notOwned.test(after?.lower ?? 'and')))
  const isAdverb = next !== undefined && /ly$/.test(next.lower) && !ownedThoughLy.test(next.lower)
  if (!next || word.beforeStop || (notOwned.test(next.lower) && !isHad) || isAdverb)
    return [alone, { case: 'determiner', sure: true }]
  const done = before !== undefined && doneTo.test(before.lower) && alone === 'object'
  if (!done || next.lower === 'own') return ['determiner', { case: alone, sure: true }]
  // "We gave her extra practice": what somebody else does is likelier done to the student than to the student's things.
  const byStudent =
    reading.subjectAt >= 0 &&
    reading.words[reading.subjectAt]?.sentence === word.sentence &&
    reading.words.slice(reading.subjectAt + 1, at - 1).every(({ lower }) => leadsToVerb.test(lower))
  // "Gave her talk" gives a thing, "show her working" too; "made her talk" has her do it.
  const isSaidOf = madeByStudents.test(next.lower) && saidOfThing.test(after?.lower ?? '')
  if (isSaidOf) return ['determiner', { case: alone, sure: false }]
  const isThing = pluralVerbs.has(next.lower) ? !hasDone.test(before.lower) : madeByStudents.test(next.lower)
  const isAct = !isThing && (pluralVerbs.has(next.lower) || /ing$/.test(next.lower))
  return !byStudent || isAct
    ? [alone, { case: 'determiner', sure: false }]
    : ['determiner', { case: alone, sure: false }]
}

function mayBeOthers(word: string): string {
  return `Does “${word}” mean others here, or the student?`
}

function questionOf(word: string, likelier: PronounCase): string {
  return likelier === 'determiner'
    ? `Is this “${word}” as in “${word} book”, or as in “we asked ${word}”?`
    : `Is this “${word}” as in “we asked ${word}”, or as in “${word} book”?`
}
