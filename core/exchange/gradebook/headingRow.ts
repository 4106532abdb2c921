import type { ChildColumns } from './columnsOfChildren'
import { identifying, type DescribingRow } from './gradebookMapping'
import { describedBy, roleByHeading } from './gradebookWords'
import { areCounted, isTitle } from './plainCells'
import { mostIn } from './pointsWords'
import { readDate } from '../files/readDate'
import type { Table, TableRow } from '../files/readTable'

/**
 * The row among the first twelve with the most headings we know; where none has any, the one above the first child, or
 * the first.
 * @param ours the columns of the class's own children, where they are found
 * @example headingRowOf(table with 'Class;5 Juniper' above 'Pupil;Quiz', null).cells // ['Pupil', 'Quiz']
 */
export function headingRowOf(table: Table, ours: ChildColumns | null): TableRow {
  const first = table.rows[0] ?? { number: 1, cells: [] }
  const above = table.rows.filter(({ number }) => number < (ours?.firstRow ?? 0))
  const likely = above.findLast(({ cells }) => describedBy(cells.find((cell) => cell !== '') ?? '') === null)
  let best = { row: likely ?? first, known: 0 }
  for (const row of above.length > 0 ? above.slice(0, 12) : table.rows.slice(0, 12)) {
    const cells = row.cells.filter((cell) => cell !== '')
    const roles = cells.map(roleByHeading)
    const namesPeople = roles.some((role) => role !== null && identifying.has(role))
    // "Out of; 20; 15" describes the work.
    if (above.length > 0 && !namesPeople && describedBy(cells[0] ?? '') !== null) continue
    const known = roles.filter((role) => role !== null).length
    // "Class; 5 Juniper" stands above "Pupil; Quiz".
    const isNearer = above.length > 0 && namesPeople
    if (known > best.known || (isNearer && known === best.known)) best = { row, known }
  }
  return best.row
}

/**
 * Where the row with the children's headings holds over the work nothing but dates, maxima, or one word ("Points"), the
 * titles stand in the row above, or, below dates, in the one below.
 * @returns that row, and what the row with the children's headings tells instead; null where it holds the titles
 * @example titlesBesides(table with ',KA 1,KA 2' above 'Name,Punkte,Punkte', heading)?.row.cells[1] // 'KA 1'
 */
export function titlesBesides(table: Table, heading: TableRow): { row: TableRow; beside: DescribingRow } | null {
  const place = table.rows.indexOf(heading)
  const over = heading.cells.flatMap((cell, at) => {
    const role = roleByHeading(cell)
    return cell !== '' && (role === null || role === 'score') ? [at] : []
  })
  const cells = over.map((at) => heading.cells[at] ?? '')
  const beside = whatAllAre(cells)
  const areTitles = (row: TableRow | undefined): boolean =>
    row !== undefined &&
    row.cells.every((cell, at) => cell === '' || over.includes(at)) &&
    over.every((at) => isTitle(row.cells[at] ?? ''))
  const near = [...(beside === 'date' || areCounted(cells) ? [table.rows[place + 1]] : []), table.rows[place - 1]]
  const row = beside === null ? undefined : near.find(areTitles)
  return row && beside !== null ? { row, beside } : null
}

function whatAllAre(cells: readonly string[]): DescribingRow | null {
  if (cells.length === 0) return null
  if (cells.every((cell) => readDate(cell) !== undefined)) return 'date'
  if (areCounted(cells)) return 'nothing'
  if (cells.every((cell) => mostIn(cell) !== null)) return 'out of'
  const areScores = cells.every((cell) => roleByHeading(cell) === 'score') || new Set(cells).size === 1
  return cells.length > 1 && areScores ? 'nothing' : null
}
