import { grouped } from '../grouped'
import type { ResultState } from '../marks/work'
import type { RowIdentity } from '../people/matchStudent'
import { nameKey } from '../people/names'
import { childRows, type ColumnRole, type DescribingRow, type GradebookMapping } from './gradebookMapping'
import { mostIn } from './pointsWords'
import { readDate } from './readDate'
import { readScore, unitOf, withoutUnit } from './readScore'
import type { Table, TableRow } from './readTable'
import { meaningOfStar } from './signLegend'
import { readWorkHeading } from './readWorkHeading'

/** A piece of work as the file tells of it. */
export interface FileWork {
  title: string
  category: string
  date: string | null
  outOf: number
  weight: number
  /** False where it only informs. */
  counts: boolean
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
  /** Cells that say something of a result in no words known here, and in no figures. */
  signs: string[]
}

/** The work that the class has already, by the title that a file gives it. What the file does not say, stays. */
export type StandingWork = (title: string) => Omit<FileWork, 'title'> | undefined

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

function nothingRead(): GradebookContent {
  return { work: [], results: [], refused: [], signs: [] }
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
  const titleOf = titlesOf(table, heading, columns, mapping)
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
    const cells = students.map((row) => row.cells[index] ?? '')
    const beside = mapping.columns[index + 1] === 'out of' ? students.map((row) => row.cells[index + 1] ?? '') : []
    const piece = wideWork({ table, heading, index, title, cells, beside }, mapping, standing, content.refused)
    content.work.push(piece)
    const unit = unitOf(cells)
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
  table: Table,
  heading: TableRow,
  columns: readonly number[],
  mapping: GradebookMapping,
): (index: number) => string {
  const more = table.rows.find((row) => mapping.describingRows[String(row.number)] === 'title')
  const own = new Map(
    columns.map((index) => {
      const { title } = readWorkHeading(heading.cells[index] ?? '')
      return [index, [title, more?.cells[index] ?? ''].filter((words) => words !== '').join(' ')]
    }),
  )
  const alike = grouped([...own.values()], nameKey)
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
  index: number
  title: string
  /** What stands below the heading. */
  readonly cells: readonly string[]
  /** What stands in the column behind it, where that tells the most that could be scored. */
  readonly beside: readonly string[]
}

function wideWork(
  { table, heading, index, title, cells, beside }: WorkColumn,
  mapping: GradebookMapping,
  standing: StandingWork,
  refused: Refusal[],
): FileWork {
  const own = readWorkHeading(heading.cells[index] ?? '')
  const told = (kind: DescribingRow): TableRow | undefined =>
    table.rows.find((row) => mapping.describingRows[String(row.number)] === kind && (row.cells[index] ?? '') !== '')
  const cellOf = (kind: DescribingRow): string => told(kind)?.cells[index] ?? ''
  const category = cellOf('category') || spanningCell({ table, heading, index }, mapping)
  const known = standing(title)
  const most = positive(cellOf('out of'))
  if ((cellOf('out of') !== '' && most === null) || own.outOf === 0) {
    refused.push({
      row: told('out of')?.number ?? heading.number,
      column: title,
      value: cellOf('out of') || String(own.outOf),
      reason: 'The maximum is no number above 0; the usual one is used.',
    })
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
    outOf:
      most ?? (own.outOf || null) ?? maximumInCells(cells) ?? maximumBeside(beside) ?? known?.outOf ?? mapping.outOf,
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

/** The maximum that a column's own cells give, as in "17/20", where they agree; null where they give none. */
function maximumInCells(cells: readonly string[]): number | null {
  const given = cells.flatMap((cell) => {
    const read = readScore(cell, null)
    return read.kind === 'result' && read.outOf !== null && !cell.includes('%') ? [read.outOf] : []
  })
  const [first] = given
  return first !== undefined && first > 0 && given.every((each) => each === first) ? first : null
}

/** The one number that stands beside all scores; null where there are several. */
function maximumBeside(cells: readonly string[]): number | null {
  const [only, ...others] = new Set(cells.map(positive).filter((most) => most !== null))
  return only !== undefined && others.length === 0 ? only : null
}

function readLong(
  heading: TableRow,
  rows: TableRow[],
  mapping: GradebookMapping,
  standing: StandingWork,
): GradebookContent {
  const content = nothingRead()
  const byTitle = new Map<string, FileWork>()
  for (const row of rows) {
    const cell = (role: ColumnRole): string => row.cells[mapping.columns.indexOf(role)] ?? ''
    const nameOf = (role: ColumnRole): string => heading.cells[mapping.columns.indexOf(role)] ?? role
    const refuse = (role: ColumnRole, reason: string): void => {
      content.refused.push({ row: row.number, column: nameOf(role), value: cell(role), reason })
    }
    const written = cell('work')
    if (written === '') {
      refuse('work', 'The row names no piece of work.')
      continue
    }
    const told = byTitle.get(nameKey(written)) ?? longWork(cell, mapping, standing, refuse)
    // "Atlas test" and "Atlas test (30)" are one.
    const piece = byTitle.get(nameKey(told.title)) ?? told
    if (piece === told && !byTitle.has(nameKey(told.title))) content.work.push(piece)
    byTitle.set(nameKey(written), piece).set(nameKey(piece.title), piece)
    takeScore(content, mapping.signs, {
      row: row.number,
      column: nameOf('score'),
      cell: withState(cell('state'), cell('score')),
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
  standing: StandingWork,
  refuse: (role: ColumnRole, reason: string) => void,
): FileWork {
  // "Atlas test (30)" tells its maximum, where no column does and no work is called just so.
  const read = readWorkHeading(cell('work'))
  const isParted = cell('out of') === '' && standing(cell('work')) === undefined
  const own = isParted ? read : { title: cell('work'), outOf: null }
  const known = standing(own.title)
  const date = cell('date') === '' ? null : readDate(cell('date'), mapping.dates)
  if (date === undefined) refuse('date', 'This is no date; the work comes in without one.')
  const outOf = positive(cell('out of'))
  if (cell('out of') !== '' && outOf === null)
    refuse('out of', 'The maximum is no number above 0; the usual one is used.')
  return {
    title: own.title,
    category: cell('category') || known?.category || mapping.category,
    date: date ?? known?.date ?? null,
    outOf: outOf ?? own.outOf ?? maximumInCells([cell('score')]) ?? known?.outOf ?? mapping.outOf,
    weight: positive(cell('weight')) ?? known?.weight ?? 1,
    counts: countsIn(cell('counts')) ?? known?.counts ?? true,
  }
}

/**
 * What a row says of its result in two columns, as it would be typed in one. A state that is none of a result's
 * (graded, published) says nothing.
 * @example withState('late', '13') // 'late 13'
 */
function withState(state: string, score: string): string {
  const read = readScore(state, null)
  if (read.kind !== 'result' || read.state === 'scored') return score
  return read.state === 'late' ? `late ${score}` : read.state
}

/** @example withStar('14*', 'late') // 'late 14' */
function withStar(cell: string, starred: string | null): string {
  const [, score] = /^(\d.*?)\s*\*$/.exec(cell) ?? []
  return starred === null || score === undefined ? cell : `${starred} ${score}`
}

function takeScore(
  content: GradebookContent,
  signs: GradebookMapping['signs'],
  at: { row: number; column: string; cell: string; who: RowIdentity; piece: FileWork; remark: string },
): void {
  const read = readScore(withMeaning(at.cell, signs), at.piece.outOf)
  if (read.kind === 'empty') return
  if (read.kind === 'refused') {
    content.refused.push({ row: at.row, column: at.column, value: at.cell, reason: read.reason })
    const { sign } = partedSign(at.cell)
    if (sign !== '') content.signs.push(sign)
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

/** A cell with its sign in a word: for 'L', which the teacher says is late, "L 17" is "late 17". */
function withMeaning(cell: string, signs: GradebookMapping['signs']): string {
  const { sign, figures } = partedSign(cell)
  if (!Object.hasOwn(signs, signKey(sign))) return cell
  const meaning = signs[signKey(sign)]
  return meaning === 'nothing' ? figures : `${meaning} ${figures}`.trim()
}

/**
 * What stands in a cell beside one score, or alone.
 * @example partedSign('17*') // { sign: '*', figures: '17' }
 */
function partedSign(cell: string): { sign: string; figures: string } {
  const number = '\\d+(?:[.,]\\d+)?'
  // Below zero is no sign.
  if (/^-\s*\d/.test(cell)) return { sign: '', figures: cell }
  const parts = new RegExp(`^(\\D*?)(?:(${number}(?:\\s*/\\s*${number})?(?:\\s*%)?)(\\D*))?$`).exec(cell.trim())
  if (!parts) return { sign: '', figures: cell }
  const [, before = '', figures = '', behind = ''] = parts
  return { sign: `${before.trim()}${behind.trim()}`, figures }
}

/** A sign as its meaning is kept under. */
export function signKey(written: string): string {
  return written.trim().toLocaleLowerCase('en')
}

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

/** @example countsIn('no') // false; countsIn('') // null: the file does not say */
function countsIn(written: string): boolean | null {
  return written === '' ? null : !/^(no|n|false|0|nein|non|nee|nej|nei)$/i.test(written)
}

/** A maximum, or a weight in per cent. */
function positive(written: string): number | null {
  const value = mostIn(written.replace(/\s*%$/, ''))
  return value !== null && value > 0 ? value : null
}
