import type { PronounSet, Pronouns } from '../people/pronouns'
import { he, she, they } from '../people/pronouns'
import { lowerFirst } from './capitals'
import { frameNotation, recogniseFrame } from './frame/recogniseFrame'
import { irregularPast, pluralVerbs } from './frame/verbWords'

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

/**
 * A note as the end of a sentence about the child, in the notation: "asked to measure the river again because …". Only
 * a note that begins with what the child did can be told so.
 * @returns null where the note names somebody else, speaks of the writer, or is no such sentence
 * @example noteSentence('Read her poem.', { name: 'Maya', pronouns: she, others: [] }) // 'read {their} poem'
 */
export function noteSentence(note: string, { name, pronouns, others }: NoteSetting): string | null {
  const text = note.trim().replace(/\s+/g, ' ')
  const [sentence = ''] = text.split(/(?<=[.!?])\s/)
  const said = sentence.replace(/[.!]+$/, '')
  if (said === '' || text !== sentence || said.length > longest || isInCapitals(said) || /\?$/.test(said)) return null
  const [first = ''] = said.split(' ')
  const [, second = ''] = said.split(' ')
  if (!isPast(first.toLowerCase(), second.toLowerCase()) || /^by\b/i.test(said.slice(first.length + 1))) return null
  if (notForASentence.test(said) || others.some((other) => wordIn(other, said))) return null
  if (ofAnother(said, pronouns)) return null
  // What the child did is read as a sentence about the child, so that its pronouns are found; its subject is left off.
  const subject = pronouns === 'name only' ? name : pronouns.subject
  const whole = `${subject} ${lowerFirst(said)}`
  const frame = recogniseFrame(whole, {
    ...{ names: [name], describing: new Set<string>(), alwaysNamed: false },
    pronounSets: pronouns === 'name only' ? [] : [pronouns],
  })
  const notation = frameNotation(frame)
  const at = notation.indexOf(' ')
  return at < 0 ? null : notation.slice(at + 1)
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

function formsOf({ subject, object, determiner, possessive, reflexive }: PronounSet): string[] {
  return [subject, object, determiner, possessive, reflexive]
}
