import type { Matchable } from '../../people/matchStudent'
import { childFinder } from './childFinder'
import { pastedStudents } from './pastedStudents'
import { NotTaken } from './planRows'
import type { RefusedRow } from './readList'

/**
 * Who takes a subject by a list of those who do, as a class list is pasted: by number, else by name, and never guessed.
 * @returns the ids of those who are in it, and the rows of whom it is not known who is meant
 * @example planTakers('Reed, Maya', students) // { takers: Set { 'maya' }, refused: [] }
 */
export function planTakers(
  text: string,
  students: readonly Matchable[],
): { takers: ReadonlySet<string>; refused: readonly RefusedRow[] } {
  const takers = new Set<string>()
  const refused: RefusedRow[] = []
  const find = childFinder(students, 'who is meant')
  for (const { row, said, schoolNumber, legalGiven: given, family } of pastedRows(text)) {
    try {
      takers.add(find({ ...(said.has('schoolNumber') && { number: schoolNumber }), given, family }).id)
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      refused.push({ row, reason: error.message })
    }
  }
  return { takers, refused }
}

const pastedRows = (text: string) => (text.trim() === '' ? [] : pastedStudents(text, { grade: '', next: 1 }))
