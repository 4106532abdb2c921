import { displayName, type NameOrder } from '../people/names'
import type { ClassRecord } from '../record/classRecord'
import type { ReportDocument } from './document'
import { longDate } from './longDate'

/** A table to write into by hand: the class, and columns that its teacher names and sizes (in millimetres). */
export interface BlankTable {
  readonly title: string
  readonly columns: readonly { readonly title: string; readonly width: number }[]
  readonly landscape: boolean
  readonly rowHeight: number
  readonly names: NameOrder
}

/** How many columns, and how wide and high in millimetres. */
export const blankTableLimits = {
  columns: 40,
  width: { least: 5, most: 250 },
  rowHeight: { least: 5, most: 60 },
} as const

/** Millimetres between the margins (54 points each side): ISO 216 for A4, and 8½ × 11 inches. */
const widths = { A4: { portrait: 172, landscape: 259 }, Letter: { portrait: 178, landscape: 241 } } as const
/** Millimetres that a name takes at the least. */
const leastForNames = 40

/**
 * How much of the width is left for the names, in millimetres; less than 40 where the columns do not fit.
 * @example leftForNames({ …, columns: [{ title: 'Read', width: 100 }], landscape: false }, 'A4') // 72
 */
export function leftForNames({ columns, landscape }: BlankTable, paper: ReportDocument['paper']): number {
  const width = widths[paper][landscape ? 'landscape' : 'portrait']
  return width - columns.reduce((sum, column) => sum + column.width, 0)
}

/** Why a table cannot be printed, in words; null where it can. */
export function blankTableProblem(table: BlankTable, paper: ReportDocument['paper']): string | null {
  const over = leastForNames - leftForNames(table, paper)
  if (over <= 0) return null
  const way = table.landscape ? 'Make some narrower.' : 'Make some narrower, or turn the paper.'
  return `The columns are ${Math.ceil(over)} mm too wide together for ${paper}. ${way}`
}

/**
 * The sheet as the press sets it and the screen shows it: a row for each child, of whom nothing but the name is told.
 * @param madeOn ISO date
 */
export function composeBlankTable(
  { classRoom, term, students, layout, school }: ClassRecord,
  table: BlankTable,
  madeOn: string,
): ReportDocument {
  const { paper } = layout
  const whole = widths[paper][table.landscape ? 'landscape' : 'portrait']
  const title = titleOf(table, classRoom.name)
  const empty = table.columns.map(() => ({ text: '' }))
  return {
    version: 1,
    title: `${title}, ${term.name}`,
    language: 'en-GB',
    paper,
    landscape: table.landscape,
    studentId: '',
    studentName: title,
    foot: `${school.name} · ${classRoom.name} · ${term.name} ${term.year} · made ${longDate(madeOn)}`,
    blocks: [
      { kind: 'heading', level: 1, text: title },
      {
        kind: 'table',
        caption: title,
        columns: [
          { title: 'Name', share: leftForNames(table, paper) / whole },
          ...table.columns.map((column) => ({ title: column.title, share: column.width / whole })),
        ],
        rows: students.map(({ usedName, family }) => [
          { text: displayName({ given: usedName, family }, table.names) },
          ...empty,
        ]),
        ruled: { rowHeight: table.rowHeight },
      },
    ],
  }
}

/** What the sheet is called: the class, and what its teacher calls it. */
export function titleOf({ title }: Pick<BlankTable, 'title'>, className: string): string {
  return title.trim() === '' ? className : `${className}: ${title.trim()}`
}
