import { studentMatcher, type Matchable } from '../people/matchStudent'
import type { NamedTable } from './readSheets'

/**
 * Which sheet of a workbook looks most like a gradebook of a class: the one with the most rows that name a child of it;
 * the first where none does.
 * @example likeliestSheet([{ sheet: 'Read me', … }, { sheet: 'Quizzes', … }], students) // 1
 */
export function likeliestSheet(tables: readonly NamedTable[], students: readonly Matchable[]): number {
  const match = studentMatcher(students)
  const named = tables.map(
    ({ table }) =>
      table.rows.filter(({ cells }) =>
        cells.some((cell) => cell !== '' && match({ number: cell, name: cell }).kind !== 'unknown'),
      ).length,
  )
  return Math.max(0, named.indexOf(Math.max(...named)))
}
