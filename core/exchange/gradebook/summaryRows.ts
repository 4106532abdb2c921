import { studentMatcher, type Matchable } from '../../people/matchStudent'
import { childRows, type GradebookMapping } from './gradebookMapping'
import { isSummary } from './gradebookWords'
import { identityOf, writtenIdentity } from './rowIdentity'
import type { Table } from '../files/readTable'

/**
 * A table without the rows that add the others up (averages, totals, the highest), with a note that names them. A child
 * of the class who is called like one (Max) is a child.
 * @example withoutSummaries(table with a row 'Class average', mapping, students).note
 * // ['Row 9 (Class average) adds the others up and was left out.']
 */
export function withoutSummaries(
  table: Table,
  mapping: GradebookMapping,
  students: readonly Matchable[],
): { children: Table; note: string[] } {
  const { columns, shape } = mapping
  const match = studentMatcher(students)
  const summaries = childRows(table, mapping).filter((row) => {
    const who = identityOf(row, columns)
    // In a long file it is the work that is called a total; the row has a child.
    if (shape === 'long') return isSummary(row.cells[columns.indexOf('work')] ?? '')
    return isSummary(writtenIdentity(who)) && match(who).kind === 'unknown'
  })
  const named = summaries.map((row) => `${row.number} (${writtenIdentity(identityOf(row, columns))})`)
  const rows = table.rows.filter((row) => !summaries.includes(row))
  const note =
    named.length === 0
      ? []
      : [
          named.length === 1
            ? `Row ${named[0]} adds the others up and was left out.`
            : `Rows ${named.join(', ')} add the others up and were left out.`,
        ]
  return { children: { ...table, rows }, note }
}
