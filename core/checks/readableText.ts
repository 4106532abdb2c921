import { he, she, they, type PronounSet } from '../people/pronouns'
import type { Student } from '../record/roster'
import { exactWords } from '../school/checkSettings'
import { foldedText } from './foldedText'
import { isTheWord } from './wordLikeName'

/** Names that no language checker takes for another word, one for each length. */
const standIns = [
  'Jo',
  'Tom',
  'Anna',
  'Peter',
  'Robert',
  'Michael',
  'Jonathan',
  'Elizabeth',
  'Christiana',
  'Christopher',
]

/** A text as it is given to a language checker, and the way back for what it suggests. */
export interface ReadableText {
  readonly text: string
  readonly restored: (suggestion: string) => string
}

/**
 * The text as a language checker can read it, every place in it as it was: straight apostrophes; a plain name of the
 * same length in place of each child's, so that nobody takes Will for a verb or River for a river; for pronouns of
 * one's own those of the language with as many letters. A name that is too short or too long stays; so does a word
 * that is only spelled like a name ("Will she …?").
 *
 * @param names of the class, the student's own first
 * @example readableText('Will will read with Will.', will, ['Will']).text // 'Anna will read with Anna.'
 */
export function readableText(text: string, { usedName, pronouns }: Student, names: readonly string[]): ReadableText {
  const plain = foldedText(text)
  const own = foldedText(usedName)
  let made = text.normalize('NFC').replaceAll('’', "'")
  for (const match of plain.matchAll(exactWords(...names.map(foldedText)))) {
    const [name] = match
    const standIn = standIns.find((each) => each.length === name.length)
    if (standIn === undefined || (name !== own && isTheWord(name, plain, match.index)) || isQuestion(plain, match))
      continue
    made = made.slice(0, match.index) + standIn + made.slice(match.index + name.length)
  }
  if (pronouns !== 'name only') made = withUsualPronouns(made, pronouns)
  const ownStandIn = standIns.find((each) => each.length === own.length)
  return {
    text: made,
    restored: (suggestion) => (ownStandIn ? suggestion.replaceAll(ownStandIn, usedName) : suggestion),
  }
}

/** "Will she …?", "May I …?": the word, even where it is the student's own name. */
function isQuestion(plain: string, { 0: name, index }: RegExpExecArray): boolean {
  return /^\s+(he|she|they|it|we|you|I|this|that)\b/.test(plain.slice(index + name.length))
}

function withUsualPronouns(text: string, set: PronounSet): string {
  if ([she, he, they].some(({ subject }) => subject === set.subject)) return text
  const cases = ['subject', 'object', 'determiner', 'possessive', 'reflexive'] as const
  return cases.reduce((made, each) => {
    const usual = [she, he, they].map((known) => known[each]).find((known) => known.length === set[each].length)
    return usual === undefined
      ? made
      : made.replace(new RegExp(`(?<!\\p{L})${set[each]}(?!\\p{L})`, 'giu'), (word) =>
          /^\p{Lu}/u.test(word) ? usual[0]?.toUpperCase() + usual.slice(1) : usual,
        )
  }, text)
}
