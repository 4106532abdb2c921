import { they } from '../../people/pronouns'
import { anyOf, oneOf } from '../../text/pattern'
import type { PlainToken, PronounCase } from '../notation'
import { piece, type FramePiece, type FrameWord, type Reading } from './frame'
import { alsoNouns, pluralVerbs, singularVerbs, whoElse } from './verbWords'

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
    where a an the this these into out up down off away along together aside apart ahead about after before during
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

const goodFor = /^(hard|harder|easy|easier|difficult|good|new|important|possible|fun|right|helpful|tiring)$/
const takesTime = {
  before: /^(take|takes|took|taking|taken|cost|costs)$/,
  after: /^(a|an|some|time|long|longer|less)$/,
}

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

/** What acts as a person does, in a lesson or a story. */
const livingThings = new RegExp(
  `\\b${anyOf('animals plants birds insects characters heroes figures creatures pets bees ducks dogs cats horses')}\\b`,
  'i',
)

/** What things can do, too. */
const thingsDo = oneOf(
  String.raw`are were mean meant come came go went look looked sound fit work worked belong have had can could
    should will would must may need grew grow change changed float sink differ turn turned end begin stand lie seem
    become became make made show help move happen happened depend aren't weren't don't \p{L}+ly`,
  'u',
)

const othersInSight = new RegExp(
  String.raw`\b${anyOf(`
    classmates others partners friends children pupils students peers adults players teachers families groups?
    (?<!in_)class team`)}\b`,
  'i',
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
  const readings = casesOf(word, set)
  const [first, second] = likelierCase(readings, word, at, reading)
  if (!first) return null
  // "He showed the new boy the hooks and helped him": somebody else of the same pronoun has been spoken of.
  const other = whoElse[set.subject]
  // "Helps a new boy find his peg", "when classmates give their reasons": whose it is stands before what is done.
  const doer = pluralVerbs.has(reading.words[at - 1]?.lower ?? '') ? (reading.words[at - 2]?.lower ?? '') : ''
  const isOthers = other?.test(doer) || (set.takesPluralVerb && othersInSight.test(doer))
  if (first === 'determiner' && isOthers) return piece(word, plain, [token(first), plain], mayBeOthers(word.text))
  const before = peopleBefore(reading, at)
  // "Asked his grandfather and wrote down what he said"; "when somebody is left out, asks them".
  const isSaidByOther = first === 'subject' && other?.test(before) && isWhatWasSaid(reading, at)
  const isOfAnybody = first === 'object' && set.takesPluralVerb && anybody.test(before)
  if (isSaidByOther || isOfAnybody || (first === 'object' && other?.test(before)))
    return piece(word, plain, [token(first), plain], mayBeOthers(word.text))
  const meansOthers = set.takesPluralVerb && first === 'subject' && spokenOfOthers(reading, at)
  if (first === 'subject' && !meansOthers) {
    reading.subjectAt = at
    reading.plural = set.takesPluralVerb
  }
  if (meansOthers) return piece(word, plain, [token(first), plain], mayBeOthers(word.text))
  // "Whoever sits beside them": beside a person.
  const besidePerson = /^(beside|behind|near|opposite)$/.test(reading.words[at - 1]?.lower ?? '')
  // "The pictures that Emil draws tell a story of their own": what several things have is theirs.
  if (first === 'determiner' && set.takesPluralVerb && isOwnOfThings(reading, at))
    return piece(word, plain, [token(first), plain], mayBeOthers(word.text))
  const things =
    set.takesPluralVerb &&
    !besidePerson &&
    !isForPerson(reading, at) &&
    first !== 'subject' &&
    first !== 'reflexive' &&
    severalBefore(reading, at, (each) => isUs(each) || (first === 'object' && isOwnersSubject(each, reading, at)))
  if (things)
    return first === 'object' || first === 'possessive'
      ? piece(word, plain, [token(first), plain], mayBeOthers(word.text))
      : piece(word, token(first), [plain], mayBeOthers(word.text))
  if (!second) return piece(word, token(first), [plain])
  return piece(word, token(first), [token(second.case), plain], second.sure ? null : questionOf(word.text, first))
}

/** Of whom "them" is said as of one. */
const anybody = /\b(some|any|every|no)(body|one)\b|\bwhoever\b/

/** "What he said" */
function isWhatWasSaid({ words }: Reading, at: number): boolean {
  return words[at - 1]?.lower === 'what' && /^(said|says|told|tells|meant|means)$/.test(words[at + 1]?.lower ?? '')
}

/** Whether "their own" is that of the things with which the sentence begins, by what they do. */
function isOwnOfThings({ words }: Reading, at: number): boolean {
  const own = words.filter(({ sentence }) => sentence === words[at]?.sentence)
  const [article, things] = own
  const verb = words.slice(0, at).findLast(({ lower }) => pluralVerbs.has(lower))
  return (
    words[at + 1]?.lower === 'own' &&
    /^(the|these|those|all|some)$/.test(article?.lower ?? '') &&
    things !== undefined &&
    mayBeSeveral(things) &&
    verb?.sentence === words[at]?.sentence
  )
}

/** "Wren's parents can help by listening to them": who does it are not those to whom it is done. */
function isOwnersSubject(several: FrameWord, { words }: Reading, at: number): boolean {
  const [owner, subject] = words.filter(({ sentence }) => sentence === words[at]?.sentence)
  return several === subject && /[’']s$/.test(owner?.text ?? '')
}

/** "Takes them a while", "makes cutting hard for them". */
function isForPerson({ words }: Reading, at: number): boolean {
  if (words[at - 1]?.lower === 'for' && goodFor.test(words[at - 2]?.lower ?? '')) return true
  return takesTime.before.test(words[at - 1]?.lower ?? '') && takesTime.after.test(words[at + 1]?.lower ?? '')
}

function peopleBefore(reading: Reading, at: number): string {
  const sentence = reading.words[at]?.sentence
  return reading.words
    .slice(0, at)
    .filter((each) => each.sentence === sentence)
    .map(({ lower }) => lower)
    .join(' ')
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

function spokenOfOthers(reading: Reading, at: number): boolean {
  const word = reading.words[at]
  const before = reading.words
    .slice(0, at)
    .filter((each) => each.sentence === word?.sentence)
    .map((each) => each.text)
    .join(' ')
  // Things do not think or write: "explains how they did it".
  const mayBeThings = severalBefore(reading, at) && thingsDo.test(reading.words[at + 1]?.lower ?? '')
  const [last, nextToLast] = [reading.words[at - 1]?.lower ?? '', reading.words[at - 2]?.lower ?? '']
  // "How tall they are"; "younger children, and they trust them".
  const isOfThem = last === 'and' && othersInSight.test(before) && reading.words[at + 2]?.lower === 'them'
  const isAfterLink = /^(when|if|because|as|that|until|so|before|after|what|how|why|where|which)$/.test(last)
  const isHow = nextToLast === 'how' && mayBeThings
  return isOfThem || isHow || (isAfterLink && (othersInSight.test(before) || livingThings.test(before) || mayBeThings))
}

/** Whether several things or people were named before in the sentence, which "them" could mean. */
function severalBefore(reading: Reading, at: number, isNone: (word: FrameWord) => boolean = () => false): boolean {
  const sentence = reading.words[at]?.sentence
  return reading.words
    .slice(0, at)
    .some(
      (word, index) => word.sentence === sentence && index !== reading.subjectAt && mayBeSeveral(word) && !isNone(word),
    )
}

/** "We are proud of them": whoever that is, it is not us. */
function isUs({ lower }: FrameWord): boolean {
  return lower === 'we' || lower === 'us'
}

/**
 * Whether a word looks like several people or things: a plural noun, by its ending.
 * @example mayBeSeveral(the word 'fractions') // true; of 'always' false
 */
export function mayBeSeveral(word: FrameWord): boolean {
  if (/^(children|people|we|us)$/.test(word.lower)) return true
  return (
    /[^s’']s$/.test(word.text) &&
    !/^\p{Lu}/u.test(word.text) &&
    !(singularVerbs.has(word.lower) && !alsoNouns.has(word.lower)) &&
    !/^(his|hers|this|its|always|sometimes|does|has|is|was|as|yes|times|days|weeks|months|years|hours|minutes)$/.test(
      word.lower,
    )
  )
}

function mayBeOthers(word: string): string {
  return `Does “${word}” mean others here, or the student?`
}

function questionOf(word: string, likelier: PronounCase): string {
  return likelier === 'determiner'
    ? `Is this “${word}” as in “${word} book”, or as in “we asked ${word}”?`
    : `Is this “${word}” as in “we asked ${word}”, or as in “${word} book”?`
}
