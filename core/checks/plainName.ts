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
export interface PlainlyNamed {
  readonly text: string
  readonly restored: (suggestion: string) => string
}

/**
 * Puts a plain name of the same length in place of the student's, so that nobody takes Will for a verb or River for a
 * river, and every place in the text stays what it was. A name that is too short, too long or of several parts stays;
 * so does one that opens a question ("Will she …?"), where it may be the word.
 *
 * @example plainlyNamed('Will will read with Will.', 'Will').text // 'Anna will read with Anna.'
 */
export function plainlyNamed(text: string, name: string): PlainlyNamed {
  const standIn = standIns.find((each) => each.length === name.length)
  if (standIn === undefined || !/^\p{L}+$/u.test(name)) return { text, restored: (suggestion) => suggestion }
  const places = new RegExp(
    `(?<![\\p{L}\\p{M}’'-])${name}(?![\\p{L}\\p{M}-])(?!\\s+(?:he|she|they|it|we|you|I|this|that)\\b)`,
    'gu',
  )
  return { text: text.replace(places, standIn), restored: (suggestion) => suggestion.replaceAll(standIn, name) }
}
