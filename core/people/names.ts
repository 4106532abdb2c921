/** The names of one person. Someone with one name has an empty family name. */
export interface PersonName {
  given: string
  family: string
}

export type NameOrder = 'given first' | 'family first'

/** "Maya O'Brien", or "O'Brien, Maya"; a person with one name is shown by it either way. */
export function displayName(name: PersonName, order: NameOrder = 'given first'): string {
  if (name.family === '') return name.given
  if (name.given === '') return name.family
  return order === 'given first' ? `${name.given} ${name.family}` : `${name.family}, ${name.given}`
}

const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true })

/** Orders by family name, then given name, accents aside. A one-word name sorts by that word. */
export function compareNames(a: PersonName, b: PersonName): number {
  return (
    collator.compare(a.family || a.given, b.family || b.given) ||
    collator.compare(a.given, b.given) ||
    (a.given < b.given ? -1 : a.given > b.given ? 1 : 0)
  )
}

/**
 * Reads a whole name as files have it. With a comma the family name comes first ("O'Brien, Maya"); without one the
 * last word is the family name ("Maya Rose Tan"), which is a guess: match by number where there is one.
 */
export function readName(written: string): PersonName {
  const tidy = written.normalize('NFC').replace(/\s+/g, ' ').trim()
  const comma = tidy.indexOf(',')
  if (comma >= 0) return { family: tidy.slice(0, comma).trim(), given: tidy.slice(comma + 1).trim() }
  const space = tidy.lastIndexOf(' ')
  return space < 0 ? { given: tidy, family: '' } : { given: tidy.slice(0, space), family: tidy.slice(space + 1) }
}

/** A name reduced to what two spellings of it share: lower case, no accents, one kind of apostrophe and hyphen. */
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
