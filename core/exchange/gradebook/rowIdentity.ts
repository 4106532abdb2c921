import type { RowIdentity } from '../../people/matchStudent'
import type { ColumnRole } from './gradebookMapping'
import type { TableRow } from '../files/readTable'

/** Whose a row is, as its cells say. */
export function identityOf(row: TableRow, columns: readonly ColumnRole[]): RowIdentity {
  const cell = (role: ColumnRole): string => row.cells[columns.indexOf(role)] ?? ''
  const whole = partedName(cell('name'))
  const number = cell('number') || whole.number
  return { number, name: whole.name, given: cell('given name'), family: cell('family name') }
}

/**
 * A name with the school number beside it in one cell, parted.
 * @example partedName('Maya Reed (70101)') // { name: 'Maya Reed', number: '70101' }
 */
function partedName(cell: string): { name: string; number: string } {
  const [, before, behind] = /^(.*\S)\s*[([]([\p{L}-]*\d[\p{L}\d-]*)[)\]]$/u.exec(cell) ?? []
  if (before !== undefined && behind !== undefined) return { name: before, number: behind }
  const [, number = '', name = cell] = /^(\d{3,})\s*[-–:.]?\s+(\p{L}.*)$/u.exec(cell) ?? []
  return { name, number }
}

/**
 * The identity as written, to ask about and to remember the answer under.
 * @example writtenIdentity({ number: '05101', name: 'Finn Aaltonen' }) // how a doubtful person is remembered in a
 * mapping
 */
export function writtenIdentity(who: RowIdentity): string {
  return [who.number, who.name, [who.given, who.family].filter(Boolean).join(' ')].filter(Boolean).join(' · ')
}
