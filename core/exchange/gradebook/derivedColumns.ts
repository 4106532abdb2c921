import { isSummary } from './gradebookWords'
import { mostByPercent } from './mostByPercent'
import { numberIn, withoutLastWord } from './plainCells'
import { readWorkHeading } from './readWorkHeading'
import type { TableRow } from '../files/readTable'

/** What a mean written with one decimal may lie off by. */
const roundedBy = 0.0501
/** Two rows may agree by chance. */
const fewest = 3

/**
 * Of columns with scores, those that only work the ones before them out again: their sum, their mean (with or without
 * the lowest), what two differ by, the best, or one of them in per cent. They are no work.
 * @param columns the places of the columns that hold scores, in their order
 * @example derivedColumns(heading of 'Quiz,Test,Avg', rows, [1, 2, 3]) // 3, where each is the mean of 1 and 2
 */
export function derivedColumns(
  heading: TableRow,
  students: readonly TableRow[],
  columns: readonly number[],
): ReadonlySet<number> {
  const derived = new Set<number>()
  const before: number[] = []
  for (const at of columns) {
    if (!isCalledAs(heading, at, before) && isWorkedOut(at, before, { heading, students })) derived.add(at)
    else before.push(at)
  }
  return derived
}

/** "Part C" is a part as "Part A" and "Part B" are, whatever its figures. */
function isCalledAs(heading: TableRow, at: number, before: readonly number[]): boolean {
  const stemOf = (column: number): string => withoutLastWord(readWorkHeading(heading.cells[column] ?? '').title)
  const stem = stemOf(at)
  const last = (heading.cells[at] ?? '').split(/\s+/).at(-1) ?? ''
  return (
    stem !== '' && !isSummary(last) && before.length > 1 && before.slice(-2).every((column) => stemOf(column) === stem)
  )
}

/** A column that may be worked out from those before it. */
interface Asked {
  readonly title: string
  /** What the piece of work right before it is out of, where its heading says so. */
  readonly outOf: number | null
  /** The cells of the column right before it and its own, as written. */
  readonly beside: readonly (readonly [string, string])[]
  /** How many columns of scores stand before it. */
  readonly count: number
  readonly rows: readonly Row[]
}

/** What stands in it for a child, and the scores before it, from one of those columns on. */
interface Row {
  readonly value: number
  readonly parts: (from: number) => readonly number[]
}

function isWorkedOut(
  at: number,
  before: readonly number[],
  { heading, students }: { heading: TableRow; students: readonly TableRow[] },
): boolean {
  const last = before.at(-1)
  if (last === undefined) return false
  const rows = students.flatMap(({ cells }) => {
    const value = numberIn(cells[at] ?? '')
    return value === null ? [] : [{ value, parts: (from: number) => partsOf(cells, before.slice(from)) }]
  })
  if (rows.length < fewest || new Set(rows.map(({ value }) => value)).size < 2) return false
  const asked: Asked = {
    title: heading.cells[at] ?? '',
    outOf: readWorkHeading(heading.cells[last] ?? '').outOf,
    beside: students.map(({ cells }) => [cells[last] ?? '', cells[at] ?? ''] as const),
    count: before.length,
    rows,
  }
  return waysToWorkOut.some((isSo) => isSo(asked))
}

/** Whether something holds for everybody. */
function all({ rows }: Asked, is: (value: number, parts: readonly number[]) => boolean, from: number): boolean {
  return rows.every(({ value, parts }) => parts(from).length > 0 && is(value, parts(from)))
}

/** The ways in which schools work a column out from others, the commonest first. */
const waysToWorkOut: readonly ((asked: Asked) => boolean)[] = [
  // The work before it, in per cent.
  (asked) => {
    const { outOf, count } = asked
    return outOf !== null && all(asked, (value, [part = 0]) => near(value, (part / outOf) * 100), count - 1)
  },
  ({ title, beside }) => mostByPercent(title, beside) !== null,
  // What comes of all work, as weighed as it may be.
  (asked) => isFinal(asked.title) && all(asked, isAmong, 0),
  // Ticks are often the highest of those before: only what is called so is the best of them.
  (asked) => isSummary(asked.title) && all(asked, (value, parts) => near(value, Math.max(...parts)), 0),
  ({ rows }) => isShareOfAll(rows),
  ({ rows, count }) => isGain(rows, count - 2),
  // A sum or a mean: the run that is added up ends just before it.
  (asked) =>
    Array.from({ length: Math.max(0, asked.count - 1) }, (_, nth) => asked.count - 2 - nth).some((from) =>
      waysOfAll.some((way) => all(asked, (value, parts) => near(value, way(parts)), from)),
    ),
]

/** Whether it is the same share of the sum for everybody: all that was reached, in per cent. */
function isShareOfAll(rows: readonly Row[]): boolean {
  const sums = rows.map(({ value, parts }) => ({ value, all: sum(parts(0)), of: parts(0).length }))
  const [most] = [...sums].sort((one, other) => other.all - one.all)
  if (!most || most.all === 0 || most.value === 0 || sums.some(({ of }) => of < 2)) return false
  return sums.every(({ value, all }) => near(value, (all * most.value) / most.all))
}

const finalWords = /^(final|weighted|course|result|ergebnis|nota|note|cijfer|betyg|karakter)$/i
const finalOf = /^(final|weighted|course) (mark|grade|score|result|total)$/i

/** Words for what comes of all work, as weighed as it may be. */
function isFinal(title: string): boolean {
  return finalWords.test(title) || finalOf.test(title)
}

/** Whether it may be a mean of them, by whatever weights. */
function isAmong(value: number, parts: readonly number[]): boolean {
  return value >= Math.min(...parts) - roundedBy && value <= Math.max(...parts) + roundedBy
}

/** The sum, the mean, the mean without the lowest of three or more: one of them for everybody. */
const waysOfAll: readonly ((parts: readonly number[]) => number)[] = [
  sum,
  (parts) => sum(parts) / parts.length,
  (parts) => (parts.length > 2 ? (sum(parts) - Math.min(...parts)) / (parts.length - 1) : Number.NaN),
]

/** Of ticks, one is often by chance what two others differ by. */
const fewestOfGain = 3

/** Whether it is what the two before it differ by, for everybody: a gain. */
function isGain(rows: readonly Row[], from: number): boolean {
  return (
    rows.some(({ value }) => Math.abs(value) >= fewestOfGain) &&
    rows.every(({ value, parts }) => {
      const [first, second] = parts(from)
      return first !== undefined && second !== undefined && near(value, second - first)
    })
  )
}

function near(one: number, other: number): boolean {
  return Math.abs(one - other) <= roundedBy
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((all, each) => all + each, 0)
}

function partsOf(cells: readonly string[], columns: readonly number[]): number[] {
  return columns.flatMap((at) => {
    const value = numberIn(cells[at] ?? '')
    return value === null ? [] : [value]
  })
}
