import { groupBy } from '../../groupBy'
import { nameKey } from '../../people/names'
import {
  calledWork,
  countsIn,
  isOutOfNothing,
  maximumInCells,
  nothingRead,
  outOfNothing,
  positive,
  type FileWork,
  type GradebookContent,
  type Refusal,
  type StandingWork,
} from './gradebookContent'
import { childRows, type DescribingRow, type GradebookMapping } from './gradebookMapping'
import { mostByPercent } from './mostByPercent'
import { readDate } from '../files/readDate'
import { readLong } from './readLong'
import { unitOf, withoutUnit } from './readScore'
import type { Table, TableRow } from '../files/readTable'
import { identityOf } from './rowIdentity'
import { meaningOfStar } from './signLegend'
import { takeScore } from './takeScore'

/**
 * Reads a gradebook table as its mapping says. Nothing is thrown: what cannot be taken is refused with a reason.
 * @example readGradebook(table of 'Name,Quiz' and 'Maya Reed,17/20', mapping).results[0]?.score // 17, out of 20
 */
export function readGradebook(
  table: Table,
  mapping: GradebookMapping,
  standing: StandingWork = () => undefined,
): GradebookContent {
  const heading = table.rows.find((row) => row.number === mapping.headingRow)
  if (!heading) {
    const reason = `There is no row ${mapping.headingRow} to take the headings from.`
    return { ...nothingRead(), refused: [{ row: mapping.headingRow, column: '', value: '', reason }] }
  }
  const students = childRows(table, mapping)
  return mapping.shape === 'wide'
    ? readWide(table, { heading, students }, mapping, standing)
    : readLong(heading, students, mapping, standing)
}

function readWide(
  table: Table,
  { heading, students }: { heading: TableRow; students: readonly TableRow[] },
  mapping: GradebookMapping,
  standing: StandingWork,
): GradebookContent {
  const content = nothingRead()
  const columns = mapping.columns.flatMap((role, index) => (role === 'score' ? [index] : []))
  const titles = new Map<string, number>()
  const starred = meaningOfStar(students)
  const titleOf = titlesOf({ table, heading, columns }, mapping, standing)
  for (const index of columns) {
    const title = titleOf(index)
    const reason = headingProblem(title, titles, index)
    if (reason !== null) {
      content.refused.push({
        row: heading.number,
        column: `column ${index + 1}`,
        value: heading.cells[index] ?? '',
        reason,
      })
      continue
    }
    const piece = wideWork({ table, heading, students, index, title }, mapping, standing, content.refused)
    if (piece === null) continue
    content.work.push(piece)
    const unit = unitOf(students.map((row) => row.cells[index] ?? ''))
    for (const row of students) {
      const cell = withStar(withoutUnit(row.cells[index] ?? '', unit), starred)
      takeScore(content, mapping.signs, {
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

/**
 * The titles of columns of work, with the row in which they go on; of several that are called the same, with what
 * stands over each: "Fractions quiz".
 */
function titlesOf(
  { table, heading, columns }: { table: Table; heading: TableRow; columns: readonly number[] },
  mapping: GradebookMapping,
  standing: StandingWork,
): (index: number) => string {
  const more = table.rows.find((row) => mapping.describingRows[String(row.number)] === 'title')
  const own = new Map(
    columns.map((index) => {
      const { title } = calledWork(heading.cells[index] ?? '', standing)
      return [index, [title, more?.cells[index] ?? ''].filter((words) => words !== '').join(' ')]
    }),
  )
  const alike = groupBy([...own.values()], nameKey)
  return (index) => {
    const title = own.get(index) ?? ''
    const over = title === '' ? '' : spanningCell({ table, heading, index }, mapping)
    return over !== '' && (alike.get(nameKey(title))?.length ?? 0) > 1 ? `${over} ${title}` : title
  }
}

/** Why a column cannot be a piece of work; null when it can. Notes its title. */
function headingProblem(title: string, titles: Map<string, number>, index: number): string | null {
  if (title === '') return 'This column has no heading, so nobody can tell which work it is. Give it one.'
  const first = titles.get(nameKey(title))
  titles.set(nameKey(title), first ?? index)
  if (first === undefined) return null
  return `“${title}” stands over column ${first + 1} already. Give one of the two another heading.`
}

/** Where a wide file tells of one piece of work: its column, with the rows above it. */
interface WorkColumn {
  table: Table
  heading: TableRow
  readonly students: readonly TableRow[]
  index: number
  title: string
}

/** Null after refusing what is out of nothing. */
function wideWork(
  column: WorkColumn,
  mapping: GradebookMapping,
  standing: StandingWork,
  refused: Refusal[],
): FileWork | null {
  const { table, heading, index, title } = column
  const own = calledWork(heading.cells[index] ?? '', standing)
  const told = (kind: DescribingRow): TableRow | undefined =>
    table.rows.find((row) => mapping.describingRows[String(row.number)] === kind && (row.cells[index] ?? '') !== '')
  const cellOf = (kind: DescribingRow): string => told(kind)?.cells[index] ?? ''
  const category = cellOf('category') || spanningCell({ table, heading, index }, mapping)
  const known = standing(title)
  const most = positive(cellOf('out of'))
  if ((cellOf('out of') !== '' && most === null) || own.outOf === 0) {
    const isNothing = own.outOf === 0 || isOutOfNothing(cellOf('out of'))
    refused.push({
      row: told('out of')?.number ?? heading.number,
      column: title,
      value: cellOf('out of') || String(own.outOf),
      reason: isNothing ? outOfNothing : 'The maximum is no number; the usual one is used.',
    })
    if (isNothing) return null
  }
  const writtenDate = cellOf('date') || own.date || ''
  const date = writtenDate === '' ? null : readDate(writtenDate, mapping.dates)
  if (date === undefined && cellOf('date') !== '') {
    refused.push({
      row: told('date')?.number ?? 0,
      column: title,
      value: cellOf('date'),
      reason: 'This is no date; the work comes in without one.',
    })
  }
  return {
    title,
    category: category || known?.category || mapping.category,
    date: date ?? known?.date ?? null,
    outOf: most ?? own.outOf ?? maximumInColumns(column, mapping, known?.outOf) ?? mapping.outOf,
    weight: positive(cellOf('weight')) ?? known?.weight ?? 1,
    counts: countsIn(cellOf('counts')) ?? known?.counts ?? true,
  }
}

/**
 * A category that stands once above the headings, over several pieces of work: the nearest to the left, as long as the
 * columns between are work too.
 */
function spanningCell(
  { table, heading, index }: Pick<WorkColumn, 'table' | 'heading' | 'index'>,
  mapping: GradebookMapping,
): string {
  const row = table.rows.find(
    (each) => each.number < heading.number && mapping.describingRows[String(each.number)] === 'category',
  )
  for (let at = index; row && at >= 0 && mapping.columns[at] === 'score'; at -= 1) {
    const cell = row.cells[at] ?? ''
    if (cell !== '') return cell
  }
  return ''
}

/**
 * What a column and its neighbours tell of the most that could be scored: each score's own ("17/20"), a column behind
 * it, and, where it does not stand already, a column that tells the same in per cent.
 */
function maximumInColumns(
  { heading, students, index }: WorkColumn,
  { columns }: GradebookMapping,
  standing: number | undefined,
): number | null {
  const cellsAt = (at: number): string[] => students.map(({ cells }) => cells[at] ?? '')
  const said = maximumInCells(cellsAt(index)) ?? (columns[index + 1] === 'out of' ? sole(cellsAt(index + 1)) : null)
  if (said !== null || standing !== undefined) return said ?? standing ?? null
  const isAlone = columns.filter((role) => role === 'score').length === 1
  const besides = columns.flatMap((role, at) => (role === 'ignore' && (isAlone || at === index + 1) ? [at] : []))
  const shares = besides.map((at) => {
    const pairs = students.map(({ cells }) => [cells[index] ?? '', cells[at] ?? ''] as const)
    return mostByPercent(heading.cells[at] ?? '', pairs)
  })
  return shares.find((most) => most !== null) ?? null
}

/** The one number that stands beside all scores; null where there are several. */
function sole(cells: readonly string[]): number | null {
  const [only, ...others] = new Set(cells.map(positive).filter((most) => most !== null))
  return only !== undefined && others.length === 0 ? only : null
}

/** @example withStar('14*', 'late') // 'late 14' */
function withStar(cell: string, starred: string | null): string {
  const [, score] = /^(\d.*?)\s*\*$/.exec(cell) ?? []
  return starred === null || score === undefined ? cell : `${starred} ${score}`
}
