import type { ResultState } from '../marks/work'
import type { RowIdentity } from '../people/matchStudent'
import type { ColumnRole, DescribingRow, GradebookMapping } from './gradebookMapping'
import { readWorkHeading } from './guessGradebook'
import { readDate } from './readDate'
import { readScore } from './readScore'
import type { Table, TableRow } from './readTable'

/** A piece of work as the file tells of it. */
export interface FileWork {
  title: string
  category: string
  date: string | null
  outOf: number
  weight: number
}

export interface FileResult {
  row: number
  column: string
  who: RowIdentity
  title: string
  state: ResultState
  score: number | null
  remark: string
}

/** A cell or row that was not taken, and why. */
export interface Refusal {
  row: number
  column: string
  value: string
  reason: string
}

export interface GradebookContent {
  work: FileWork[]
  results: FileResult[]
  refused: Refusal[]
}

/** Reads a gradebook table as its mapping says. Nothing is thrown: what cannot be taken is refused with a reason. */
export function readGradebook(table: Table, mapping: GradebookMapping): GradebookContent {
  const heading = table.rows.find((row) => row.number === mapping.headingRow)
  if (!heading) {
    const reason = `There is no row ${mapping.headingRow} to take the headings from.`
    return { work: [], results: [], refused: [{ row: mapping.headingRow, column: '', value: '', reason }] }
  }
  const students = table.rows.filter(
    (row) => row.number > mapping.headingRow && !(row.number in mapping.describingRows),
  )
  return mapping.shape === 'wide' ? readWide(table, heading, students, mapping) : readLong(heading, students, mapping)
}

function readWide(table: Table, heading: TableRow, students: TableRow[], mapping: GradebookMapping): GradebookContent {
  const content: GradebookContent = { work: [], results: [], refused: [] }
  const columns = mapping.columns.flatMap((role, index) => (role === 'score' ? [index] : []))
  for (const index of columns) {
    const piece = wideWork(table, heading, index, mapping, content.refused)
    content.work.push(piece)
    for (const row of students) {
      const cell = row.cells[index] ?? ''
      takeScore(content, {
        row: row.number,
        column: piece.title,
        cell,
        who: identityOf(row, mapping.columns),
        piece,
        remark: '',
      })
    }
  }
  return content
}

function wideWork(
  table: Table,
  heading: TableRow,
  index: number,
  mapping: GradebookMapping,
  refused: Refusal[],
): FileWork {
  const { title, outOf } = readWorkHeading(heading.cells[index] ?? '')
  const told = (kind: DescribingRow): TableRow | undefined =>
    table.rows.find((row) => mapping.describingRows[String(row.number)] === kind && (row.cells[index] ?? '') !== '')
  const cellOf = (kind: DescribingRow): string => told(kind)?.cells[index] ?? ''
  const most = positive(cellOf('out of'))
  if (cellOf('out of') !== '' && most === null) {
    refused.push({
      row: told('out of')?.number ?? 0,
      column: title,
      value: cellOf('out of'),
      reason: 'The maximum is no number above 0; the usual one is used.',
    })
  }
  const date = cellOf('date') === '' ? null : readDate(cellOf('date'), mapping.dates)
  if (date === undefined) {
    refused.push({
      row: told('date')?.number ?? 0,
      column: title,
      value: cellOf('date'),
      reason: 'This is no date; the work comes in without one.',
    })
  }
  return {
    title,
    category: cellOf('category') || mapping.category,
    date: date ?? null,
    outOf: most ?? outOf ?? mapping.outOf,
    weight: positive(cellOf('weight')) ?? 1,
  }
}

function readLong(heading: TableRow, rows: TableRow[], mapping: GradebookMapping): GradebookContent {
  const content: GradebookContent = { work: [], results: [], refused: [] }
  const byTitle = new Map<string, FileWork>()
  for (const row of rows) {
    const cell = (role: ColumnRole): string => row.cells[mapping.columns.indexOf(role)] ?? ''
    const nameOf = (role: ColumnRole): string => heading.cells[mapping.columns.indexOf(role)] ?? role
    const refuse = (role: ColumnRole, reason: string): void => {
      content.refused.push({ row: row.number, column: nameOf(role), value: cell(role), reason })
    }
    if (cell('work') === '') {
      refuse('work', 'The row names no piece of work.')
      continue
    }
    const piece = byTitle.get(cell('work')) ?? longWork(cell, mapping, refuse)
    if (!byTitle.has(piece.title)) {
      byTitle.set(piece.title, piece)
      content.work.push(piece)
    }
    takeScore(content, {
      row: row.number,
      column: nameOf('score'),
      cell: cell('score'),
      who: identityOf(row, mapping.columns),
      piece,
      remark: cell('remark'),
    })
  }
  return content
}

function longWork(
  cell: (role: ColumnRole) => string,
  mapping: GradebookMapping,
  refuse: (role: ColumnRole, reason: string) => void,
): FileWork {
  const date = cell('date') === '' ? null : readDate(cell('date'), mapping.dates)
  if (date === undefined) refuse('date', 'This is no date; the work comes in without one.')
  const outOf = positive(cell('out of'))
  if (cell('out of') !== '' && outOf === null)
    refuse('out of', 'The maximum is no number above 0; the usual one is used.')
  return {
    title: cell('work'),
    category: cell('category') || mapping.category,
    date: date ?? null,
    outOf: outOf ?? mapping.outOf,
    weight: 1,
  }
}

function takeScore(
  content: GradebookContent,
  at: { row: number; column: string; cell: string; who: RowIdentity; piece: FileWork; remark: string },
): void {
  const read = readScore(at.cell, at.piece.outOf)
  if (read.kind === 'empty') return
  if (read.kind === 'refused') {
    content.refused.push({ row: at.row, column: at.column, value: at.cell, reason: read.reason })
    return
  }
  content.results.push({
    row: at.row,
    column: at.column,
    who: at.who,
    title: at.piece.title,
    state: read.state,
    score: read.score,
    remark: at.remark,
  })
}

function identityOf(row: TableRow, columns: readonly ColumnRole[]): RowIdentity {
  const cell = (role: ColumnRole): string => row.cells[columns.indexOf(role)] ?? ''
  return { number: cell('number'), name: cell('name'), given: cell('given name'), family: cell('family name') }
}

/** The identity as written, to ask about and to remember the answer under. */
export function writtenIdentity(who: RowIdentity): string {
  return [who.number, who.name, [who.given, who.family].filter(Boolean).join(' ')].filter(Boolean).join(' · ')
}

function positive(written: string): number | null {
  const value = Number(written.replace(',', '.').replace(/\s*(points|pts|%)$/i, ''))
  return written !== '' && Number.isFinite(value) && value > 0 ? value : null
}
