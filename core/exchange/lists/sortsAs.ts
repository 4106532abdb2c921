import type { ClassRecord } from '../../record/classRecord'
import { roleByHeading } from '../gradebook/gradebookWords'
import type { Table } from '../files/readTable'
import { classColumns, headingRow } from './classListColumns'

/**
 * Which door a table belongs to, by what its headings say: a gradebook has pieces of work, which nobody knows
 * beforehand; a list of the class has columns that the class knows (its skills, habits, subjects), days or notes.
 * @example sortsAs(table with 'Name', 'Days absent', 'Times late', record) // 'list'
 */
export function sortsAs(table: Pick<Table, 'rows'>, record: ClassRecord): 'gradebook' | 'list' {
  const columnOf = classColumns(record)
  const heading = headingRow(table, columnOf)
  const titles = (heading?.cells ?? []).filter((cell) => cell !== '' && columnOf(cell)?.what !== 'who')
  if (titles.some((title) => roleByHeading(title) === 'work')) return 'gradebook'
  const known = titles.filter((title) => columnOf(title) !== null).length
  return known > 0 && known * 2 >= titles.length ? 'list' : 'gradebook'
}
