import { z } from 'zod'
import { fields } from '../../record/fields'
import { text } from '../../text/textSchema'
import type { Table, TableRow } from '../files/readTable'

/** What a column of a gradebook file can be. */
export const columnRoles = [
  'number',
  'name',
  'given name',
  'family name',
  'score', // wide files: a piece of work's column; long files: the score of the row's piece of work
  'work',
  'out of',
  'category',
  'date',
  'weight', // long files: how much the row's piece of work counts
  'counts', // long files: whether the row's piece of work goes into the mark
  'state', // long files: missing, late, excused … beside the score
  'remark',
  'ignore',
] as const
export type ColumnRole = (typeof columnRoles)[number]

/** What says whose a row is. */
export const identifying: ReadonlySet<ColumnRole> = new Set<ColumnRole>(['number', 'name', 'given name', 'family name'])

/** Rows of a wide file that describe the pieces of work instead of a student, or tell nothing that is wanted. */
export const describingRows = ['title', 'out of', 'category', 'date', 'weight', 'counts', 'nothing'] as const
export type DescribingRow = (typeof describingRows)[number]

/** What a sign of the teacher's own can stand for in a cell of results: a state, or an empty cell. */
export const signMeanings = ['nothing', 'missing', 'late', 'excused', 'incomplete'] as const
export type SignMeaning = (typeof signMeanings)[number]

/** How a gradebook file is to be read: guessed by the program, corrected by the teacher. */
export const gradebookMappingSchema = z.object({
  /** The sheet of a workbook; empty for a file that has none. */
  sheet: text(200).default(''),
  shape: z.enum(['wide', 'long']),
  /** The number of the row with the headings. */
  headingRow: z.number().int().min(1),
  /** One per column. */
  columns: z.array(z.enum(columnRoles)).max(2000),
  /** Row number → what it tells (wide files). */
  describingRows: z.record(z.string(), z.enum(describingRows)),
  /** Used where the file names none. */
  category: text(80).pipe(z.string().min(1, 'Say which category the work belongs to.')),
  outOf: fields.outOf,
  dates: z.enum(['day first', 'month first']),
  /** The teacher's answers about doubtful rows: identity as written → student id. */
  people: z.record(z.string().max(300), z.string().max(80)),
  /** The teacher's own signs, in small letters → what they say of a result. */
  signs: z.record(z.string().max(60), z.enum(signMeanings)).default({}),
})
export type GradebookMapping = z.infer<typeof gradebookMappingSchema>

/**
 * The rows that are children's: those below the headings that describe nothing; where none is below, the headings stand
 * at the foot, and they are above.
 */
export function childRows(
  { rows }: Table,
  { headingRow, describingRows: described }: Pick<GradebookMapping, 'headingRow' | 'describingRows'>,
): TableRow[] {
  const left = rows.filter(({ number }) => number !== headingRow && !(String(number) in described))
  const below = left.filter(({ number }) => number > headingRow)
  // A line of words above the headings has one cell.
  return below.length > 0 ? below : left.filter(({ cells }) => cells.filter((cell) => cell !== '').length > 1)
}
