import { describedBy, roleByHeading } from './gradebookWords'
import { childRows, type ColumnRole, type DescribingRow, type GradebookMapping } from './gradebookMapping'
import { columnsOfChildren, type ChildColumns } from './columnsOfChildren'
import { derivedColumns } from './derivedColumns'
import { grouped } from '../grouped'
import { readDate } from './readDate'
import { mostIn } from './pointsWords'
import { readScore, unitOf, withoutUnit } from './readScore'
import type { Table, TableRow } from './readTable'
import { readWorkHeading } from './readWorkHeading'
import { signLegend } from './signLegend'
import type { Matchable } from '../people/matchStudent'

/** What work is out of where nothing tells it. */
const usualMost = 100

/** What is known beside the file itself. */
export interface BesideFile {
  /** The row with the headings, where a person has said so. */
  readonly headingRow?: number | null
  /** The children of the class: their names and numbers tell their columns in every language. */
  readonly children?: readonly Matchable[]
  /** What a person has said of columns, by their places. */
  readonly roles?: ReadonlyMap<number, ColumnRole>
}

/**
 * Guesses how a gradebook file is laid out, from its headings and its values. A guess to be shown, not a verdict.
 * @param categories the names the class already uses; the first is proposed where the file names none
 *
 * @example guessGradebook(table, ['Quizzes']) // column 1 is the name, column 2 a quiz out of 20 of 12 October, …
 */
export function guessGradebook(
  table: Table,
  categories: readonly string[],
  { headingRow = null, children = [], roles = new Map() }: BesideFile = {},
): GradebookMapping {
  const ours = columnsOfChildren(table, children)
  const worded = table.rows.find((row) => row.number === headingRow) ?? headingRowOf(table, ours)
  const titles = headingRow === null ? titlesBesides(table, worded) : null
  const heading = titles?.row ?? worded
  const known = withChildren(rolesByHeadings(worded.cells), ours)
  const below = childRows(table, { headingRow: worded.number, describingRows: {} })
  const told = withWork(known, below, worded)
  const named = told.map((role, at) => roles.get(at) ?? role)
  const long = named.includes('score') && tellsWork(named.indexOf('work'), below)
  const described = long ? {} : describingRowsOf(table, heading, { named, firstChild: ours?.firstRow ?? null })
  const describingRows = titles ? { ...described, [String(worded.number)]: titles.beside } : described
  const students = childRows(table, { headingRow: heading.number, describingRows })
  const columns = widestColumns(table, heading).map(
    (index) =>
      roles.get(index) ??
      guessColumn(index, named[index] ?? null, {
        ...{ heading, students, long, delimiter: table.delimiter },
        maximaTold: Object.values(describingRows).includes('out of'),
      }),
  )
  return {
    sheet: '',
    shape: long ? 'long' : 'wide',
    headingRow: heading.number,
    columns: long ? withDates(columns, students) : withoutDerived(columns, heading, students),
    describingRows,
    category: categories[0] ?? 'Classwork',
    outOf: usualMost,
    dates: datesOf(table),
    people: {},
    signs: signLegend(table.rows),
  }
}

/** The columns that the class's own children tell are theirs; no other column can be the same then. */
function withChildren(named: readonly (ColumnRole | null)[], ours: ChildColumns | null): (ColumnRole | null)[] {
  if (!ours) return [...named]
  const taken = new Set(ours.roles.values())
  const width = Math.max(named.length, ...[...ours.roles.keys()].map((at) => at + 1))
  const isWhole = taken.has('name')
  return Array.from({ length: width }, (_, at) => {
    const [own, said] = [ours.roles.get(at), named[at] ?? null]
    if (own !== undefined) return own
    const isTaken = said !== null && (taken.has(said) || (isWhole && identifying.has(said) && said !== 'number'))
    return isTaken ? 'ignore' : said
  })
}

/**
 * Where the row with the children's headings holds over the work nothing but dates, maxima, or one word ("Points"), the
 * titles stand in the row above, or, below dates, in the one below.
 */
function titlesBesides(table: Table, heading: TableRow): { row: TableRow; beside: DescribingRow } | null {
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

function isTitle(cell: string): boolean {
  return /\p{L}/u.test(cell) && readScore(cell, null).kind === 'refused'
}

/**
 * Where one column is headed as scores are and no other holds numbers, the one column of words that repeat tells the
 * piece of work, whatever it is called.
 */
function withWork(named: (ColumnRole | null)[], rows: readonly TableRow[], heading: TableRow): (ColumnRole | null)[] {
  if (named.includes('work') || named.filter((role) => role === 'score').length !== 1 || rows.length < 2) return named
  const unnamed = heading.cells.flatMap((cell, at) => (cell !== '' && (named[at] ?? null) === null ? [at] : []))
  const cellsOf = (at: number): string[] => rows.map(({ cells }) => cells[at] ?? '').filter((cell) => cell !== '')
  const holdsScores = unnamed.some((at) => cellsOf(at).some((cell) => readScore(cell, null).kind === 'result'))
  const repeated = unnamed.filter((at) => {
    const cells = cellsOf(at)
    const times = grouped(cells, (cell) => cell)
    return cells.length === rows.length && cells.every(isTitle) && [...times.values()].every((each) => each.length > 1)
  })
  const [work, ...others] = repeated
  if (holdsScores || work === undefined || others.length > 0) return named
  return named.map((role, at) => (at === work ? 'work' : role))
}

/** Whether a column tells the piece of work of each row: ticks under "Title" do not. */
function tellsWork(at: number, rows: readonly TableRow[]): boolean {
  if (at < 0) return false
  const cells = rows.map(({ cells: each }) => each[at] ?? '').filter((cell) => cell !== '')
  return cells.some((cell) => cell.length > 1)
}

function withoutDerived(columns: ColumnRole[], heading: TableRow, students: readonly TableRow[]): ColumnRole[] {
  const scores = columns.flatMap((role, at) => (role === 'score' ? [at] : []))
  const derived = new Set([...derivedColumns(heading, students, scores), ...gradesBeside(heading, scores)])
  return columns.map((role, at) => (derived.has(at) ? 'ignore' : role))
}

const gradeWord = /\s*\b(note|grade|level|band|prozent|per ?cent|%)$/i

/** Columns that tell the grade of the work beside them: "Test 1 points" and "Test 1 grade". */
function gradesBeside(heading: TableRow, scores: readonly number[]): number[] {
  const titles = new Map(scores.map((at) => [at, heading.cells[at] ?? '']))
  return scores.filter((at) => {
    const title = titles.get(at) ?? ''
    const work = title.replace(gradeWord, '')
    if (work === title || work === '') return false
    return [...titles].some(([other, each]) => other !== at && (each === work || each.replace(/\s*\S+$/, '') === work))
  })
}

/** Where no heading names the day, the one column that holds nothing but dates tells it. */
function withDates(columns: ColumnRole[], rows: readonly TableRow[]): ColumnRole[] {
  if (columns.includes('date')) return columns
  const dated = columns.flatMap((role, at) => {
    const cells = rows.map((row) => row.cells[at] ?? '').filter((cell) => cell !== '')
    return role === 'ignore' && cells.length > 0 && cells.every((cell) => readDate(cell) !== undefined) ? [at] : []
  })
  return columns.map((role, at) => (dated.length === 1 && at === dated[0] ? 'date' : role))
}

/**
 * Headings are read beside each other: a family name with a whole name beside it is parted into two ("Cognome, Nome"),
 * and one that has nothing beside it stands for the whole.
 */
function rolesByHeadings(cells: readonly string[]): (ColumnRole | null)[] {
  const named = cells.map(roleByHeading)
  if (!named.includes('family name') || named.includes('given name')) return named
  if (named.includes('name')) return named.map((role) => (role === 'name' ? 'given name' : role))
  return named.map((role) => (role === 'family name' ? 'name' : role))
}

/**
 * The row among the first twelve with the most headings we know; where none has any, the one above the first child, or
 * the first.
 */
function headingRowOf(table: Table, ours: ChildColumns | null): TableRow {
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

/** Rows that tell of the work: those whose label says so, and those above the headings that stand over work alone. */
function describingRowsOf(
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

const identifying: ReadonlySet<ColumnRole> = new Set<ColumnRole>(['number', 'name', 'given name', 'family name'])

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

function numberIn(cell: string): number | null {
  const value = Number(cell.replace(',', '.'))
  return cell === '' || Number.isNaN(value) ? null : value
}

function widestColumns(table: Table, heading: TableRow): number[] {
  const width = Math.max(heading.cells.length, ...table.rows.slice(0, 50).map((row) => row.cells.length))
  return Array.from({ length: width }, (_, index) => index)
}

interface ColumnsOf {
  readonly heading: TableRow
  readonly students: readonly TableRow[]
  readonly long: boolean
  readonly delimiter: string
  /** Whether a row tells what there was to reach. */
  readonly maximaTold: boolean
}

/** "41,200" where commas part the cells, so that decimals have points: no score, but so many of something. */
function isInThousands(cell: string, delimiter: string): boolean {
  return delimiter === ',' && /^\d{1,3}(,\d{3})+$/.test(cell)
}

function guessColumn(
  index: number,
  named: ColumnRole | null,
  { heading, students, long, delimiter, maximaTold }: ColumnsOf,
): ColumnRole {
  if (long) return named ?? 'ignore'
  if (named !== null && ['number', 'name', 'given name', 'family name', 'ignore'].includes(named)) return named
  // Of the children, not of the work; the most that could be scored may stand beside each score.
  if (named !== null && ['category', 'weight', 'counts'].includes(named)) return 'ignore'
  if (named === 'out of' || isMostBeside(index, heading)) return 'out of'
  const values = students.map((row) => row.cells[index] ?? '').filter((cell) => cell !== '')
  // "Effort (1-5)" is rated.
  if (/\(\d\s*[-–]\s*\d+\)$/.test(heading.cells[index] ?? '')) return 'ignore'
  // "Grade" beside marks, the same for everybody, is the year they are in.
  if (/^grade$/i.test(heading.cells[index] ?? '') && values.length > 2 && new Set(values).size === 1) return 'ignore'
  const unit = unitOf(values)
  const scores = values.filter(
    (cell) => !isInThousands(cell, delimiter) && readScore(withoutUnit(cell, unit), null).kind === 'result',
  ).length
  if ((heading.cells[index] ?? '') === '' || areCounted(values)) return 'ignore'
  // "Note" is a grade next door.
  if (named === 'remark' && !values.some((cell) => /\d/.test(cell))) return 'ignore'
  if (!maximaTold && areCounts(heading.cells[index] ?? '', values)) return 'ignore'
  return values.length > 0 && scores >= values.length / 2 ? 'score' : 'ignore'
}

/** What is mostly above the usual maximum, with none told, is so many of something: pages, minutes, a scaled score. */
export function areCounts(title: string, values: readonly string[]): boolean {
  const above = values.filter((value) => (numberIn(value) ?? 0) > usualMost)
  return readWorkHeading(title).outOf === null && above.length > values.length / 2
}

/** "Poster max" behind "Poster points". */
function isMostBeside(index: number, heading: TableRow): boolean {
  const [, work = '', last = ''] = /^(.*\S)[\s:–-]+(\S+)$/.exec(heading.cells[index] ?? '') ?? []
  return work !== '' && (heading.cells[index - 1] ?? '').startsWith(work) && roleByHeading(last) === 'out of'
}

/** Whether they number the rows: 1, 2, 3 … */
function areCounted(values: readonly string[]): boolean {
  return values.length > 2 && values.every((value, at) => value.replace(/\.$/, '') === String(at + 1))
}

/** Month first only when some date can be read no other way. */
function datesOf(table: Table): GradebookMapping['dates'] {
  // In a title, too: "Vocabulary 9/18/2026".
  const local = table.rows.flatMap((row) =>
    row.cells.map((cell) => /(?:^|[\s(])(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}(?=$|[\s),])/.exec(cell)),
  )
  const monthFirst = local.some((parts) => parts !== null && Number(parts[2]) > 12)
  const dayFirst = local.some((parts) => parts !== null && Number(parts[1]) > 12)
  return monthFirst && !dayFirst ? 'month first' : 'day first'
}
