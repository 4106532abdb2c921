import type { Pronouns } from '../people/pronouns'
import { formsOf, he, she, they } from '../people/pronouns'
import { lowerFirst } from './capitals'
import { frameNotation, recogniseFrame } from './frame/recogniseFrame'
import { irregularPast, pluralVerbs } from './frame/verbWords'
import { mayBeForeign } from './otherLanguages'

/** Forms in -ed that say how somebody was, not what somebody did: "Tired and quiet". */
const states =
  /^(tired|excited|interested|worried|bored|confused|pleased|delighted|upset|disappointed|relaxed|gifted|talented|distracted|motivated|determined|organised|organized|dedicated|advanced|limited|mixed|needed|supposed|concerned|prepared)$/

/** What belongs in no sentence to a family, or makes none a week later. */
const notForASentence =
  /\b(I|me|my|mine|myself|today|tomorrow|yesterday|tonight|this (?:morning|afternoon|week|lesson)|now|again today|cf|see above|tbc|ask)\b|[@#/{}[\]]|\bP\d\b/

/** Who a note is about, and whom it may not name. */
export interface NoteSetting {
  readonly name: string
  readonly pronouns: Pronouns
  /** All other children whose names a note may hold. */
  readonly others: readonly string[]
}

const longest = 180

/** A note as it can be told, in the notation; or why it is left, in a sentence for who wrote it. */
export type NoteTold = { readonly told: string } | { readonly why: string }

/**
 * A note as the end of a sentence about the child, in the notation: "asked to measure the river again because …". Only
 * a note that begins with what the child did can be told so.
 * @returns why not, where the note names somebody else, speaks of the writer, or is no such sentence
 * @example noteSentence('Read her poem.', { name: 'Maya', pronouns: she, others: [] }) // { told: 'read {their} poem' }
 */
export function noteSentence(note: string, setting: NoteSetting): NoteTold {
  const { name, pronouns } = setting
  const text = note.trim().replace(/\s+/g, ' ')
  const [sentence = ''] = text.split(/(?<=[.!?])\s/)
  const said = sentence.replace(/[.!]+$/, '')
  const why = text === sentence ? whyLeft(said, setting) : 'It is more than one sentence.'
  if (why !== null) return { why }
  // What the child did is read as a sentence about the child, so that its pronouns are found; its subject is left off.
  const subject = pronouns === 'name only' ? name : pronouns.subject
  const whole = `${subject} ${lowerFirst(said)}`
  const frame = recogniseFrame(whole, {
    names: [name],
    describing: new Set<string>(),
    alwaysNamed: false,
    pronounSets: pronouns === 'name only' ? [] : [pronouns],
  })
  const notation = frameNotation(frame)
  return { told: notation.slice(notation.indexOf(' ') + 1) }
}

/** Why one sentence cannot be told of a child as it stands; null where it can. */
function whyLeft(said: string, { name, pronouns, others }: NoteSetting): string | null {
  const [first = '', second = ''] = said.split(' ')
  if (said.length > longest) return 'It is too long for one sentence.'
  if (isInCapitals(said)) return 'It is in capitals.'
  if (mayBeForeign(said)) return 'It may not be in English.'
  if (/\?$/.test(said) || !isPast(first.toLowerCase(), second.toLowerCase()) || second.toLowerCase() === 'by')
    return `It does not begin with what ${name} did, as in “Asked to …”.`
  const other = others.find((each) => wordIn(each, said))
  if (other !== undefined) return `It names ${other}.`
  if (notForASentence.test(said)) return 'It speaks of you, of a day that will be gone, or in signs.'
  return ofAnother(said, pronouns) ? 'It has a pronoun that may mean somebody else.' : null
}

/** "Mixed a grey" is something done; "Mixed results" is not. */
function isPast(word: string, next: string): boolean {
  if (word === 'was' || irregularPast.has(word)) return true
  if (!/ed$/.test(word) || (states.test(word) && !/^(an?|the|his|her|their|two|three|every|each|all)$/.test(next)))
    return false
  return [
    word.replace(/ed$/, ''),
    word.replace(/d$/, ''),
    word.replace(/ied$/, 'y'),
    word.replace(/(.)\1ed$/, '$1'),
  ].some((base) => pluralVerbs.has(base))
}

function isInCapitals(text: string): boolean {
  const letters = text.match(/\p{L}/gu) ?? []
  return letters.length > 6 && letters.filter((letter) => /\p{Lu}/u.test(letter)).length > letters.length / 2
}

function wordIn(word: string, text: string): boolean {
  return (
    word !== '' &&
    text.includes(word) &&
    new RegExp(`(?<!\\p{L})${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?!\\p{L})`, 'u').test(text)
  )
}

/** A pronoun that is not the child's own, and so somebody else's. "They" may be the others. */
function ofAnother(text: string, pronouns: Pronouns): boolean {
  const words = new Set(text.toLowerCase().match(/\p{L}+/gu) ?? [])
  const own = pronouns === 'name only' ? [] : formsOf(pronouns)
  return [she, he].some((set) => formsOf(set).some((form) => words.has(form) && !own.includes(form)))
    ? true
    : pronouns !== 'name only' && pronouns.subject === they.subject
      ? false
      : words.has('themself')
}
