import { studentMatcher, type Matchable } from '../../people/matchStudent'
import type { Table } from './readTable'

/** So few would be found by chance in a table that has them below each other. */
const fewest = 3

/**
 * A table whose children stand side by side, turned so that each has a row; any other as it is.
 * @example turnedTable(table of 'Work,Maya Reed,Finn Bell,Umi Sato' and 'Quiz,7,8,9', students).rows[1]?.cells
 * // ['Maya Reed', '7']
 */
export function turnedTable(table: Table, students: readonly Matchable[]): Table {
  const match = studentMatcher(students)
  const isOurs = (cell: string): boolean => cell !== '' && match({ name: cell, number: cell }).kind === 'found'
  const inRow = Math.max(0, ...table.rows.slice(0, 12).map(({ cells }) => cells.filter(isOurs).length))
  if (inRow < fewest) return table
  const width = table.rows.reduce((most, { cells }) => Math.max(most, cells.length), 0)
  const inColumn = Math.max(
    ...Array.from({ length: Math.min(width, 12) }, (_, at) =>
      table.rows.filter(({ cells }) => isOurs(cells[at] ?? '')),
    ).map(({ length }) => length),
  )
  if (inColumn >= inRow) return table
  const rows = Array.from({ length: width }, (_, at) => ({
    number: at + 1,
    cells: table.rows.map(({ cells }) => cells[at] ?? ''),
  }))
  return { ...table, rows: rows.filter(({ cells }) => cells.some((cell) => cell !== '')) }
}
