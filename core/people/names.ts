/** The names of one person. Someone with one name has an empty family name. */
export interface PersonName {
  readonly given: string
  readonly family: string
}

export const nameOrders = ['given first', 'family first'] as const
/** Which of the names a list shows first. */
export type NameOrder = (typeof nameOrders)[number]

/**
 * "Maya O'Brien", or "O'Brien, Maya"; a person with one name is shown by it.
 * @example displayName({ given: 'Maya', family: "O'Brien" }) // "Maya O'Brien"
 */
export function displayName({ given, family }: PersonName, order: NameOrder = 'given first'): string {
  return order === 'given first'
    ? [given, family].filter(Boolean).join(' ')
    : [family, given].filter(Boolean).join(', ')
}

/**
 * Reads a whole name as files have it. With a comma the family name comes first ("O'Brien, Maya"); without one the
 * last word is the family name ("Maya Rose Tan"), which is a guess: match by number where there is one.
 *
 * @example readName('Reed, Maya') // { family: 'Reed', given: 'Maya' }
 */
export function readName(written: string): PersonName {
  const tidy = written.normalize('NFC').replace(/\s+/g, ' ').trim()
  const comma = tidy.indexOf(',')
  if (comma >= 0) return { family: tidy.slice(0, comma).trim(), given: tidy.slice(comma + 1).trim() }
  const space = tidy.lastIndexOf(' ')
  return space < 0 ? { given: tidy, family: '' } : { given: tidy.slice(0, space), family: tidy.slice(space + 1) }
}

/**
 * A name reduced to what two spellings of it share: lower case, no accents, one kind of apostrophe and hyphen.
 * @example nameKey(' Zoë  O’Rourke ') === nameKey('zoe o\'rourke') // true
 */
export function nameKey(written: string): string {
  return written
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLocaleLowerCase('en')
    .replace(/[’‘`´]/g, "'")
    .replace(/[‐‑–—]/g, '-')
    .replace(/\s+/g, ' ')
    .trim()
}

/**
 * The name that somebody could sign in with.
 * @example signInNameOf({ given: 'Zoë', family: 'O’Rourke' }) // 'zoe.orourke'
 */
export function signInNameOf({ given, family }: PersonName): string {
  return [given, family]
    .map((part) => nameKey(part).replace(/[\s']/g, ''))
    .filter(Boolean)
    .join('.')
}
