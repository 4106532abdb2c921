import { headingKey } from './readRecords'
import type { ColumnRole, DescribingRow, GradebookMapping } from './gradebookMapping'
import { readScore } from './readScore'
import type { Table, TableRow } from './readTable'

/**
 * Headings as schools here and next door have them, without accents, spaces and signs (see headingKey): English,
 * German, French, Spanish, Italian, Dutch, Danish, Norwegian and Swedish.
 */
const headingWords: [ColumnRole, RegExp][] = [
  [
    'number',
    /^(student|school|pupil|learner)?(number|no|nr|id|#)$|^(schuler|elev|leerling)?(nummer|nr)$|^numero$|^matric[uo]l[ea]$/,
  ],
  ['given name', /^(given|first|fore)(name)?s?$|^vornamen?$|^prenoms?$|^nombres?$|^voornaam$|^fo?rnamn?$|^fornavn$/],
  ['family name', /^(family|last|sur)(name)?s?$|^(nach|familien|zu)namen?$|^noms?(defamille)?$|^apellidos?$/],
  ['family name', /^cognome$|^achternaam$|^efternam?n$|^ef?t?ternavn$/],
  [
    'name',
    /^(full)?name$|^(student|pupil|learner|child)(name)?s?$|^(student|pupil)s?fullname$|^nome$|^naam$|^navn$|^namn$/,
  ],
  ['work', /^(work|pieceofwork|assignment|task|assessment|test|item|title|activity)$/],
  ['score', /^(score|result|mark|points|grade|pointsscored|punkte|puntos|points?obtenus)$/],
  ['out of', /^(outof|max|maximum|maxpoints|maximumpoints|pointspossible|possible|of)$/],
  ['category', /^(category|type|kind|group|kategorie|categorie|categoria)$/],
  ['date', /^(date|due|duedate|day|doneon|datum|fecha|data|dato)$/],
  ['remark', /^(remark|comment|note|notes|remarks|bemerkung|remarque|observacion(es)?)s?$/],
  ['ignore', /^(average|mean|sum|percent|%|overall|email|mail|class|homeroom|gradelevel|section)$/],
  // What a program has added up is no piece of work.
  [
    'ignore',
    /^(sub|grand)?totals?(points|score|mark|percent|%)?$|^(gesamt|summe|durchschnitt|moyenne|promedio|media)$/,
  ],
  [
    'ignore',
    /^(current|final|overall|running|term|semester|quarter|year|calculated|weighted)(score|grade|mark|percent|%|points|average|total)s?$/,
  ],
]

const describingWords: [DescribingRow, RegExp][] = [
  ['out of', /^(outof|max(imum)?(points|score)?|pointspossible|possible)$/],
  ['category', /^(category|type|kind)$/],
  ['date', /^(date|due|duedate)$/],
  ['weight', /^(weight|counts)$/],
]

/**
 * Guesses how a gradebook file is laid out, from its headings and its values. A guess to be shown, not a verdict.
 * @param categories the names the class already uses; the first is proposed where the file names none
 * @param headingRow the row with the headings, where a person has said so
 *
 * @example guessGradebook(table, ['Quizzes']) // column 1 is the name, column 2 a quiz out of 20 of 12 October, …
 */
export function guessGradebook(
  table: Table,
  categories: readonly string[],
  headingRow: number | null = null,
): GradebookMapping {
  const heading = table.rows.find((row) => row.number === headingRow) ?? headingRowOf(table)
  const body = table.rows.filter((row) => row.number > heading.number)
  const named = rolesByHeadings(heading.cells)
  const long = named.includes('work') && named.includes('score')
  const describingRows = long ? {} : describingRowsOf(table, heading)
  const students = body.filter((row) => !(row.number in describingRows))
  const columns = widestColumns(table, heading).map((index) =>
    guessColumn(index, named[index] ?? null, { heading, students, long }),
  )
  return {
    shape: long ? 'long' : 'wide',
    headingRow: heading.number,
    columns,
    describingRows,
    category: categories[0] ?? 'Classwork',
    outOf: 100,
    dates: datesOf(table),
    people: {},
  }
}

const fullDate = /(?:^|[\s,;(])(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}([./-])\d{1,2}\2(?:\d{4}|\d{2}))(?=$|[\s,;)])/
const ownMaximum =
  /^(.*\S)\s*(?:\(\s*(?:out of|max\.?|\/)?\s*(\d+(?:[.,]\d+)?)\s*(?:points|pts|p)?\s*\)|\/\s*(\d+(?:[.,]\d+)?))$/i

/**
 * A heading's own maximum, as in "Quiz 3 (20)" or "Quiz 3 /20", parted from the title; and a date that stands in it.
 * "12/10/2026" is a date and "12/10" may be one, so neither is a maximum.
 *
 * @example readWorkHeading('River quiz (20)') // { title: 'River quiz', outOf: 20, date: null }
 * @example readWorkHeading('Quiz 12/10/2026') // { title: 'Quiz 12/10/2026', outOf: null, date: '12/10/2026' }
 */
export function readWorkHeading(heading: string): { title: string; outOf: number | null; date: string | null } {
  const date = fullDate.exec(heading)?.[1] ?? null
  const parts = ownMaximum.exec(heading)
  const most = parts?.[2] ?? parts?.[3]
  const endsInDate = /\d{1,2}[./-]\d{1,2}([./-]\d{2,4})?\)?$/.test(heading) && mayBeDate(heading)
  return parts && most !== undefined && !endsInDate
    ? { title: parts[1] ?? heading, outOf: Number(most.replace(',', '.')), date }
    : { title: heading, outOf: null, date }
}

/** Whether the figures at the end could be a day and a month, in either order. */
function mayBeDate(heading: string): boolean {
  const parts = /(\d{1,2})[./-](\d{1,2})(?:[./-]\d{2,4})?\)?$/.exec(heading)
  const [one, two] = [Number(parts?.[1] ?? 0), Number(parts?.[2] ?? 0)]
  return one > 0 && two > 0 && Math.max(one, two) <= 31 && Math.min(one, two) <= 12
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
 * What a heading says of its column; null where it is none that is known.
 * @example roleByHeading('Nachname') // 'family name'
 */
export function roleByHeading(cell: string): ColumnRole | null {
  const key = headingKey(cell)
  return headingWords.find(([, pattern]) => pattern.test(key))?.[0] ?? null
}

/** The row among the first twelve with the most headings we know; the first row when none has any. */
function headingRowOf(table: Table): TableRow {
  const first = table.rows[0] ?? { number: 1, cells: [] }
  let best = { row: first, known: 0 }
  for (const row of table.rows.slice(0, 12)) {
    const known = row.cells.filter((cell) => cell !== '' && roleByHeading(cell) !== null).length
    if (known > best.known) best = { row, known }
  }
  return best.row
}

function describingRowsOf(table: Table, heading: TableRow): Record<string, DescribingRow> {
  const found: Record<string, DescribingRow> = {}
  for (const row of table.rows.slice(0, 14)) {
    if (row === heading) continue
    const label = row.cells.find((cell) => cell !== '') ?? ''
    const kind = describingWords.find(([, pattern]) => pattern.test(headingKey(label)))?.[0]
    if (kind) found[String(row.number)] = kind
  }
  return found
}

function widestColumns(table: Table, heading: TableRow): number[] {
  const width = Math.max(heading.cells.length, ...table.rows.slice(0, 50).map((row) => row.cells.length))
  return Array.from({ length: width }, (_, index) => index)
}

function guessColumn(
  index: number,
  named: ColumnRole | null,
  { heading, students, long }: { heading: TableRow; students: readonly TableRow[]; long: boolean },
): ColumnRole {
  if (long) return named ?? 'ignore'
  if (named !== null && ['number', 'name', 'given name', 'family name', 'ignore'].includes(named)) return named
  const values = students.map((row) => row.cells[index] ?? '').filter((cell) => cell !== '')
  const scores = values.filter((cell) => readScore(cell, null).kind === 'result').length
  if ((heading.cells[index] ?? '') === '') return 'ignore'
  return values.length > 0 && scores >= values.length / 2 ? 'score' : 'ignore'
}

/** Month first only when some date can be read no other way. */
function datesOf(table: Table): GradebookMapping['dates'] {
  const local = table.rows.flatMap((row) => row.cells.map((cell) => /^(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}$/.exec(cell)))
  const monthFirst = local.some((parts) => parts !== null && Number(parts[2]) > 12)
  const dayFirst = local.some((parts) => parts !== null && Number(parts[1]) > 12)
  return monthFirst && !dayFirst ? 'month first' : 'day first'
}
