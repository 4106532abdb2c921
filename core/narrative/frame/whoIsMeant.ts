import { anyOf, oneOf } from '../../text/pattern'
import type { PronounCase } from '../notation'
import type { FrameWord, Reading } from './frame'
import { alsoNouns, betweenSubjectAndVerb, irregularPast, pluralVerbs, singularVerbs, whoElse } from './verbWords'

const goodFor = /^(hard|harder|easy|easier|difficult|good|new|important|possible|fun|right|helpful|tiring)$/

const takesTime = {
  before: /^(take|takes|took|taking|taken|cost|costs)$/,
  after: /^(a|an|some|time|long|longer|less)$/,
}

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

/** Of whom a pronoun speaks. */
export type Meant = 'the student' | 'others' | 'perhaps others'

/**
 * Whether a pronoun in its case speaks of the student or of somebody, or something, else that the sentence names.
 * @example “them” in 'She notices patterns and tests them.' // 'others': the patterns
 */
export function whoIsMeant(as: PronounCase, at: number, reading: Reading): Meant {
  const isOthers = as === 'determiner' ? isOthersOwn(at, reading) : as === 'object' && isDoneToOthers(at, reading)
  if (isOthers) return 'others'
  if (as === 'subject') return isDoneByOthers(at, reading) ? 'others' : 'the student'
  const isPerson = isBesidePerson(reading, at) || isForPerson(reading, at) || isWithUs(reading, at)
  if (!reading.set?.takesPluralVerb || as === 'reflexive' || isPerson) return 'the student'
  const isNone = (each: FrameWord): boolean =>
    isUs(each) || (as === 'object' && (isOwnersSubject(each, reading, at) || isSubjectOf(each, reading, at)))
  if (!severalBefore(reading, at, isNone)) return 'the student'
  return as === 'determiner' ? 'perhaps others' : 'others'
}

/** "His", "their", where it is somebody else's, or that of several things. */
function isOthersOwn(at: number, reading: Reading): boolean {
  const { words, set } = reading
  // "Helps a new boy find his peg", "when classmates give their reasons": whose it is stands before what is done.
  const [link, verb] = [words[at - 2]?.lower ?? '', words[at - 1]?.lower ?? '']
  // "Allow others to finish their sentences"
  const doer = pluralVerbs.has(verb) ? (link === 'to' ? (words[at - 3]?.lower ?? '') : link) : ''
  if (set !== null && whoElse[set.subject]?.test(doer)) return true
  return (
    set?.takesPluralVerb === true && (othersInSight.test(doer) || isOwnOfThings(reading, at) || isSortedBy(reading, at))
  )
}

/** "Him", "them", where somebody else, or several, are spoken of. */
function isDoneToOthers(at: number, reading: Reading): boolean {
  const { words, set } = reading
  const before = peopleBefore(reading, at)
  // "He showed the new boy the hooks and helped him"; "all of them", "between them": nobody is several.
  if (set !== null && whoElse[set.subject]?.test(before)) return !isDoneByOther(at, reading)
  const last = words[at - 1]?.lower ?? ''
  if (/^(between|among)$/.test(last) || (last === 'of' && several.test(words[at - 2]?.lower ?? ''))) return true
  // "When somebody is left out, asks them"
  const isOfAnybody = set?.takesPluralVerb === true && anybody.test(before) && !isBesidePerson(reading, at)
  return isOfAnybody || isDoneByStudent(reading, at)
}

/** "Her mother reads to her": whoever does it is not whom it is done to. */
function isDoneByOther(at: number, { words, set, subjectAt }: Reading): boolean {
  const person = words.slice(0, at).findLastIndex(({ lower }) => set !== null && whoElse[set.subject]?.test(lower))
  const verb = words.slice(person + 1, at).find(({ lower }) => !betweenSubjectAndVerb.test(lower))
  const own = words[subjectAt]
  const isOwn = own !== undefined && own.sentence === words[at]?.sentence && subjectAt > person
  return !isOwn && verb !== undefined && isDoing(verb.lower)
}

/** A word that stands as a verb after somebody: "helps", "gave", "asked", "will". */
function isDoing(word: string): boolean {
  return (
    singularVerbs.has(word) ||
    irregularPast.has(word) ||
    /\p{L}{2}ed$|^(can|could|will|would|may|might|had)$/u.test(word)
  )
}

/** "He", "they", where somebody else, or several, do something. */
function isDoneByOthers(at: number, reading: Reading): boolean {
  const { set } = reading
  // "Asked his grandfather and wrote down what he said"
  const isOther = set !== null && whoElse[set.subject]?.test(peopleBefore(reading, at)) === true
  return (isOther && isWhatWasSaid(reading, at)) || (set?.takesPluralVerb === true && spokenOfOthers(reading, at))
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

/** Whether things are put in order by something that is theirs. */
function isSortedBy(reading: Reading, at: number): boolean {
  const { words } = reading
  const sorts = words
    .slice(0, at)
    .some(({ lower, sentence }) => sentence === words[at]?.sentence && putsInOrder.test(lower))
  return words[at - 1]?.lower === 'by' && sorts && severalBefore(reading, at)
}

const putsInOrder = /^(sort|order|group|arrange|classify|classifie|recognise|tell|name|know)(s|d|ed|ing)?$/

/** "Wren's parents can help by listening to them": who does it are not those to whom it is done. */
function isOwnersSubject(several: FrameWord, { words }: Reading, at: number): boolean {
  const [owner, subject] = words.filter(({ sentence }) => sentence === words[at]?.sentence)
  return several === subject && /[’']s$/.test(owner?.text ?? '')
}

/** "The younger ones follow them": nor are they the same. */
function isSubjectOf(several: FrameWord, { words }: Reading, at: number): boolean {
  return words[at - 2] === several && pluralVerbs.has(words[at - 1]?.lower ?? '')
}

const several = oneOf('all both most some each many none few several any neither either one two three four half')

/** "Whoever sits behind them", but "the story behind them". */
function isBesidePerson({ words }: Reading, at: number): boolean {
  const [before, place] = [words[at - 2]?.lower ?? '', words[at - 1]?.lower ?? '']
  return /^(beside|near|opposite)$/.test(place) || (place === 'behind' && /^(sit|stand|walk|run)s?$/.test(before))
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

function spokenOfOthers(reading: Reading, at: number): boolean {
  const before = peopleBefore(reading, at)
  // Things do not think or write: "explains how they did it".
  const isThought = leadsToMind.test(reading.words[at + 1]?.lower ?? '') && isOfMind(reading, at + 2)
  // "Reads the instructions before they begin": who reads begins.
  const isBegun =
    /^(before|until|after|once|while)$/.test(reading.words[at - 1]?.lower ?? '') &&
    begun.test(reading.words[at + 1]?.lower ?? '')
  const mayBeThings =
    !isThought && !isBegun && severalBefore(reading, at, isUs) && thingsDo.test(reading.words[at + 1]?.lower ?? '')
  const [last, nextToLast] = [reading.words[at - 1]?.lower ?? '', reading.words[at - 2]?.lower ?? '']
  // "How tall they are"; "younger children, and they trust them".
  const isOfThem = last === 'and' && othersInSight.test(before) && reading.words[at + 2]?.lower === 'them'
  const isAfterLink = /^(sure|when|if|because|as|that|until|so|before|after|what|how|why|where|which)$/.test(last)
  const isHow = nextToLast === 'how' && mayBeThings
  return isOfThem || isHow || (isAfterLink && (othersInSight.test(before) || livingThings.test(before) || mayBeThings))
}

/** "What they have learnt": things do not learn, nor say or write. */
function isOfMind({ words }: Reading, at: number): boolean {
  const [next, after] = words.slice(at, at + 2)
  return ofMind.test(
    next !== undefined && betweenSubjectAndVerb.test(next.lower) ? (after?.lower ?? '') : (next?.lower ?? ''),
  )
}

const begun = /^(begin|start|started|end|turn|move|show|help|work|come|came|go|went|make|made)$/

const leadsToMind = /^(have|had|can|could|will|would|should|must|may|do)(n't)?$|^(can't|won't)$/

const ofMind = oneOf(`
  learnt learned read heard said told written thought understood known studied discovered found practised tried planned
  noticed seen remembered asked answered explained explain read write say tell remember understand know show ask check
  do start finish want like try listen think learn practise use care trust`)

/**
 * Whether somebody is the object of what the student does: that is somebody else, or it would be "herself".
 */
function isDoneByStudent(reading: Reading, at: number): boolean {
  const { words, subjectAt, verbsAt } = reading
  const [link, verb] = [words[at - 2]?.lower ?? '', words[at - 1]?.lower ?? '']
  if (verbsAt.has(at - 1)) return true
  const subject = words[subjectAt]
  if (!subject || subject.sentence !== words[at]?.sentence) return false
  const isPast = /\p{L}{2}ed$/u.test(verb) || irregularPast.has(verb)
  const others = words
    .slice(subjectAt + 1, at - 1)
    .some(({ lower }) => /^(who|that|which|when|if|because|as)$/.test(lower))
  return isPast && !others && (subjectAt === at - 2 || link === 'and' || link === 'then')
}

/** "We went through the fractions test with them": we do that with people. */
function isWithUs(reading: Reading, at: number): boolean {
  const before = peopleBefore(reading, at)
  return /\b(we|i)\b.* with$/.test(before) && !othersInSight.test(before)
}

/** Whether several things or people were named before in the sentence, which "them" could mean. */
function severalBefore(reading: Reading, at: number, isNone: (word: FrameWord) => boolean = () => false): boolean {
  const sentence = reading.words[at]?.sentence
  return reading.words
    .slice(0, at)
    .some(
      (word, index) =>
        word.sentence === sentence &&
        index !== reading.subjectAt &&
        !reading.verbsAt.has(index) &&
        !/^(it|this|which|what|who|he|she|(some|any|every|no)(thing|body|one))$/.test(
          reading.words[index - 1]?.lower ?? '',
        ) &&
        mayBeSeveral(word) &&
        !isNone(word),
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
