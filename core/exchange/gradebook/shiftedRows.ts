import type { Refusal } from './gradebookContent'
import { childRows, type GradebookMapping } from './gradebookMapping'
import type { Table, TableRow } from '../files/readTable'

const reason =
  'This row has more cells than there are headings. Is a number with a comma in it, as in 1,234? ' +
  'Put it into quotation marks, or save the file with semicolons.'

/**
 * A table without the rows of which a number with a comma in it fell into two cells, so that what follows it stands
 * under the next heading; each is refused. Where every row is longer than the headings, a column may only lack its
 * heading: then a row is shifted if its last cells look like one number.
 * @example shiftedRows(readTable('Name,Raised\nMaya,950\nTom,1,234'), mapping).refused[0]?.value // '1,234'
 */
export function shiftedRows(table: Table, mapping: GradebookMapping): { table: Table; refused: Refusal[] } {
  const heading = table.rows.find(({ number }) => number === mapping.headingRow)
  if (table.delimiter !== ',' || !heading) return { table, refused: [] }
  const width = heading.cells.findLastIndex((cell) => cell !== '') + 1
  const children = childRows(table, mapping)
  const tails = new Map(children.map((row) => [row, tailOf(row, width)]))
  const isEvery = children.every((row) => tails.get(row) !== '')
  const areHalves = isEvery && children.every((row) => halves.test(tails.get(row) ?? ''))
  const shifted = children.filter((row) => {
    const [before, tail] = [row.cells[width - 1] ?? '', tails.get(row) ?? '']
    if (!/^\d+$/.test(tail)) return false
    return !isEvery || (/^\d{1,3}$/.test(before) && (/^\d{3}$/.test(tail) || areHalves))
  })
  const isShifted = new Set(shifted)
  return {
    table: isShifted.size === 0 ? table : { ...table, rows: table.rows.filter((row) => !isShifted.has(row)) },
    refused: shifted.map(({ number, cells }) => ({
      row: number,
      column: heading.cells[width - 1] ?? '',
      reason,
      value: cells
        .slice(Math.max(0, width - 1))
        .filter((cell) => cell !== '')
        .join(','),
    })),
  }
}

/** What stands behind the comma of most numbers that schools give with one. */
const halves = /^(5|25|50|75)$/

/** What stands beyond the headings, last. */
function tailOf({ cells }: TableRow, width: number): string {
  return cells.slice(width).findLast((cell) => cell !== '') ?? ''
}
