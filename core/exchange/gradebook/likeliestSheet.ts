import { studentMatcher, type Matchable } from '../../people/matchStudent'
import { nameKey } from '../../people/names'
import type { NamedTable } from '../files/readTable'

/**
 * Which sheet of a workbook looks most like a gradebook of a class: the one that names the most children of it, however
 * often; of several such the one that is called after the subject; the first where none does.
 * @example likeliestSheet([{ sheet: 'Read me', … }, { sheet: 'Quizzes', … }], students, 'Art') // 1
 */
export function likeliestSheet(tables: readonly NamedTable[], students: readonly Matchable[], subject: string): number {
  const match = studentMatcher(students)
  const named = tables.map(
    ({ sheet, table }) =>
      (nameKey(sheet).includes(nameKey(subject)) ? 0.5 : 0) +
      new Set(
        table.rows.flatMap(
          ({ cells }) =>
            cells.find((cell) => cell !== '' && match({ number: cell, name: cell }).kind !== 'unknown') ?? [],
        ),
      ).size,
  )
  return Math.max(0, named.indexOf(Math.max(...named)))
}
