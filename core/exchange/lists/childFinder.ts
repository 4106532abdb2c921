import { studentMatcher, type Matchable, type RowIdentity } from '../../people/matchStudent'
import { displayName } from '../../people/names'
import { NotTaken } from './planRows'

/**
 * Finds the child that a row of a list is about, by number, else by name; never guessed.
 * @returns a finder that throws NotTaken, in words for whoever brought the list
 * @example childFinder(students, 'whose it is')({ name: 'Reed, Maya' }).usedName // 'Maya'
 */
export function childFinder<S extends Matchable>(students: readonly S[], whose: string): (row: RowIdentity) => S {
  const match = studentMatcher(students, { asksNear: true })
  return (row) => {
    const found = match(row)
    if (found.kind === 'found') return found.student
    const written = row.name || [row.given, row.family].filter(Boolean).join(' ') || row.number
    if (!written) throw new NotTaken(`This row does not say ${whose}.`)
    throw new NotTaken(
      found.kind === 'unknown'
        ? `There is no child with “${written}” in this class.`
        : `“${written}” could be ${found.candidates.map(nameOf).join(' or ')}: write the number.`,
    )
  }
}

/** A child as lists call it. */
export function nameOf({ usedName, family }: Pick<Matchable, 'usedName' | 'family'>): string {
  return displayName({ given: usedName, family })
}
