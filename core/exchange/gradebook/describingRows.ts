import { identifying, type ColumnRole, type DescribingRow } from './gradebookMapping'
import { describedBy } from './gradebookWords'
import { numberIn } from './plainCells'
import { mostIn } from './pointsWords'
import { readDate } from '../files/readDate'
import type { Table, TableRow } from '../files/readTable'

/**
 * Rows that tell of the work: those whose label says so, and those that stand over work alone.
 * @param named what each column holds, as far as that is known
 * @param firstChild the first row that is a child's, where that is known
 * @example describingRowsOf(table with a row 3 'Out of,20,30', heading, …) // { 3: 'out of' }
 */
export function describingRowsOf(
  table: Table,
  heading: TableRow,
  { named, firstChild }: { named: readonly (ColumnRole | null)[]; firstChild: number | null },
): Record<string, DescribingRow> {
  const people = named.flatMap((role, at) => (role !== null && identifying.has(role) ? [at] : []))
  return Object.fromEntries(
    table.rows.slice(0, 14).flatMap((row) => {
      if (row === heading) return []
      const label = describedBy(row.cells.find((cell) => cell !== '') ?? '')
      const kind =
        label !== null && !mayBeChild(row, { table, heading, people })
          ? label
          : (toldWithoutLabel(row, people, row.number < heading.number) ??
            (firstChild !== null && row.number > heading.number && row.number < firstChild
              ? (goesOn(row, heading, people) ?? toldByFigures(row, table, { people, firstChild }))
              : null))
      return kind === null ? [] : [[String(row.number), kind] as const]
    }),
  )
}

/**
 * Whether a row below the headings is a child who is called like a label: Max, who has scored no more than others. At
 * the foot Max is what was reached and not what could be.
 */
function mayBeChild(
  row: TableRow,
  { table, heading, people }: { table: Table; heading: TableRow; people: readonly number[] },
): boolean {
  if (row.number < heading.number) return false
  if (people.filter((at) => (row.cells[at] ?? '') !== '').length > 1) return true
  if (!row.cells.some((cell) => /^max(imum)?$/i.test(cell))) return false
  const others = table.rows.filter((each) => each.number > heading.number && each !== row)
  const isAtHead = others.every(
    (each) => each.number > row.number || describedBy(each.cells.find((cell) => cell !== '') ?? '') !== null,
  )
  const isHighest = row.cells.every((cell, at) => {
    const most = people.includes(at) ? null : numberIn(cell)
    return most === null || others.every((other) => (numberIn(other.cells[at] ?? '') ?? 0) <= most)
  })
  return !isAtHead || !isHighest
}

/** A row without a name whose cells tell columns apart that are called the same: 1, 2, 3 below "Spelling". */
function goesOn(row: TableRow, heading: TableRow, people: readonly number[]): DescribingRow | null {
  if (people.some((at) => (row.cells[at] ?? '') !== '')) return null
  const work = heading.cells.flatMap((cell, at) => (cell === '' || people.includes(at) ? [] : [at]))
  const titles = new Set(work.map((at) => heading.cells[at]))
  const whole = new Set(work.map((at) => `${heading.cells[at]} ${row.cells[at] ?? ''}`))
  return titles.size < work.length && whole.size === work.length ? 'title' : null
}

/** A row without a name above the children whose figures no child exceeds: what there was to reach. */
function toldByFigures(
  row: TableRow,
  table: Table,
  { people, firstChild }: { people: readonly number[]; firstChild: number },
): DescribingRow | null {
  // Somebody with a name may be a child whom the class does not know.
  if (people.some((at) => (row.cells[at] ?? '') !== '')) return null
  const most = row.cells.flatMap((cell, at) => (cell === '' ? [] : [[at, mostIn(cell)] as const]))
  if (most.length === 0) return null
  const children = table.rows.filter(({ number }) => number >= firstChild)
  const isReached = ([at, value]: readonly [number, number | null]): boolean =>
    value !== null && children.every(({ cells }) => (numberIn(cells[at] ?? '') ?? 0) <= value)
  return most.every(isReached) ? 'out of' : null
}

/**
 * What a row tells without a label, with nothing in the columns of the children: dates in those of the work; above the
 * headings numbers and words too, which below them are sums and remarks.
 */
function toldWithoutLabel(row: TableRow, people: readonly number[], isAbove: boolean): DescribingRow | null {
  const cells = row.cells.filter((cell) => cell !== '')
  if (people.length === 0 || cells.length === 0 || people.some((at) => (row.cells[at] ?? '') !== '')) return null
  if (row.cells.findIndex((cell) => cell !== '') < Math.max(...people)) return null
  if (cells.every((cell) => readDate(cell) !== undefined) && (isAbove || numberIn(cells[0] ?? '') === null))
    return 'date'
  if (!isAbove) return null
  if (cells.every((cell) => mostIn(cell) !== null)) return 'out of'
  return cells.every((cell) => numberIn(cell) === null) ? 'category' : null
}
