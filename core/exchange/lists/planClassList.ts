import type { RowIdentity } from '../../people/matchStudent'
import type { RecordIndex } from '../../record/recordIndex'
import { UnreadableFile } from '../files/problem'
import { readTable, type TableRow } from '../files/readTable'
import { childFinder } from './childFinder'
import type { ClassCells, ClassListContext, CellReading } from './classCells'
import { classColumns, headingRow, needOf, type ClassColumn, type WhoColumn } from './classListColumns'
import { classRowReader } from './readClassRow'
import { registerReader } from './readRegister'
import { practiceReader } from './readPractice'
import { readRegisterDay } from './readChildCell'
import { NotTaken } from './planRows'
import type { RefusedRow } from './readList'

/** What taking a list of a class in would do. */
export interface ClassListPlan {
  readonly cells: ClassCells
  readonly added: number
  readonly changed: number
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
  /** Columns that are left out, as they are headed. */
  readonly unknown: readonly string[]
  /** A line for each that is new or changed. */
  readonly lines: readonly string[]
}

/**
 * What a list of a class would bring, whatever it is about: levels and marks (a column or a row for each), days of
 * attendance (of the term or day by day), practice, notes. A child is known by number, else by name, and is never
 * guessed. What the list does not say stays as it is; what stands so already is counted and left alone.
 * @throws UnreadableFile when no row says whose it is, or no column is known
 */
export function planClassList(text: string, index: RecordIndex, context: ClassListContext): ClassListPlan {
  if (text.trim() === '') throw new UnreadableFile('There is nothing here yet. Copy a list and paste it here.')
  const table = readTable(text)
  const columnOf = classColumns(index.record)
  const heading = headingRow(table, columnOf)
  if (!heading) {
    throw new UnreadableFile(
      'No row of headings says whose the rows are. Put one first: Number or Name, then the rest.',
    )
  }
  const { columns, unknown } = ownColumns(heading, columnOf, index, context.may)
  const read = classRowReader(index, { columns, headings: heading.cells }, context)
  const register = registerReader(columns, heading.cells)
  const practice = practiceReader(index, { columns, headings: heading.cells }, context.program)
  const whose = childFinder(index.record.students, 'whose it is')
  const seen = new Map<string, number>()
  const plan = {
    cells: { marks: [], levels: [], attendance: [], practice: [], register: [], notes: [] } as Parameters<
      CellReading['put']
    >[0],
    added: 0,
    changed: 0,
    unchanged: 0,
    refused: [] as RefusedRow[],
    lines: [] as string[],
  }
  const take = (said: CellReading, row: number): void => {
    const before = seen.get(said.place)
    if (before !== undefined) throw new NotTaken(`${said.name} stands in row ${before} already.`)
    seen.set(said.place, row)
    if (JSON.stringify(said.was) === JSON.stringify(said.now)) plan.unchanged += 1
    else {
      said.put(plan.cells)
      plan[said.was === null ? 'added' : 'changed'] += 1
      plan.lines.push(said.line)
    }
  }
  const trying = (row: number, act: () => void): void => {
    try {
      act()
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      plan.refused.push({ row, reason: error.message })
    }
  }
  for (const row of table.rows.filter(({ number }) => number > heading.number)) {
    trying(row.number, () => {
      const student = whose(identityIn(row, columns))
      for (const say of read(row, student)) trying(row.number, () => take(say(), row.number))
      for (const say of practice.read(row, student)) trying(row.number, () => take(say(), row.number))
      register.take(row, student)
    })
  }
  for (const { row, ...told } of register.told())
    trying(row, () => take(readRegisterDay(index, told, context.presenceOn), row))
  for (const { row, said } of practice.told()) trying(row, () => take(said(), row))
  return { ...plan, unknown }
}

/** The columns that are known and whose matter the bringer may change; the rest by their headings. */
function ownColumns(
  { cells }: TableRow,
  columnOf: (heading: string) => ClassColumn,
  { record }: RecordIndex,
  may: (need: string) => boolean,
): { columns: ClassColumn[]; unknown: string[] } {
  const unknown: string[] = []
  const columns = cells.map((cell) => {
    const column = columnOf(cell)
    const need = needOf(column, record)
    if (need !== null && !may(need)) unknown.push(`${cell} (not yours to change)`)
    else if (column !== null) return column
    else if (cell !== '') unknown.push(cell)
    return null
  })
  if (columns.some((column) => column !== null && column.what !== 'who')) return { columns, unknown }
  throw new UnreadableFile(
    'No column here is a skill, a habit, a subject, days or notes of this class. Head the columns with their names.',
  )
}

/** What a row's cells say of whose it is. */
function identityIn({ cells }: TableRow, columns: readonly ClassColumn[]): RowIdentity {
  const part = (wanted: WhoColumn): string =>
    cells[columns.findIndex((column) => column?.what === 'who' && column.part === wanted)] ?? ''
  return { number: part('number'), name: part('name'), given: part('given name'), family: part('family name') }
}
