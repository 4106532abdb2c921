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
  'remark',
  'ignore',
] as const
export type ColumnRole = (typeof columnRoles)[number]

/** Rows of a wide file that describe the pieces of work instead of a student. */
export type DescribingRow = 'out of' | 'category' | 'date' | 'weight'

/** How a gradebook file is to be read: guessed by the program, corrected by the teacher. */
export interface GradebookMapping {
  shape: 'wide' | 'long'
  /** The number of the row with the headings. */
  headingRow: number
  /** One per column. */
  columns: ColumnRole[]
  /** Row number → what it tells (wide files). */
  describingRows: Record<string, DescribingRow>
  /** Used where the file names none. */
  category: string
  outOf: number
  dates: 'day first' | 'month first'
  /** The teacher's answers about doubtful rows: identity as written → student id. */
  people: Record<string, string>
}
