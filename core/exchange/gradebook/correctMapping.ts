import { z } from 'zod'
import type { Matchable } from '../../people/matchStudent'
import { columnRoles, describingRows, type ColumnRole, type GradebookMapping } from './gradebookMapping'
import { roleByHeading } from './gradebookWords'
import { guessGradebook } from './guessGradebook'
import { headingKey } from '../files/readRecords'
import type { Table } from '../files/readTable'

/** What a person can say of a row: that it is a child's, has the headings, or describes the work. */
export const rowKinds = ['child', 'headings', ...describingRows] as const
export type RowKind = (typeof rowKinds)[number]

/** One thing that a person says of how a gradebook file is to be read. */
export const correctionSchema = z.union([
  z.object({ column: z.number().int().min(0).max(2000), role: z.enum(columnRoles) }),
  z.object({ row: z.number().int().min(1), is: z.enum(rowKinds) }),
])
export type Correction = z.infer<typeof correctionSchema>

/**
 * A mapping with one correction and what follows from it. With other headings the file is read anew, and what only the
 * teacher knows is kept. A column of which a file can have one is it instead of the one that was. A column that tells
 * the piece of work makes a row per result of the file. Columns that are alike, with others between them, follow one.
 * @example correctMapping(table of 'Name,Test 1,Effort 1,Test 2,Effort 2', mapping, { column: 2, role: 'ignore' }, [])
 * // leaves out both columns of effort
 */
export function correctMapping(
  table: Table,
  mapping: GradebookMapping,
  correction: Correction,
  children: readonly Matchable[],
): GradebookMapping {
  if ('column' in correction) return withColumn(table, mapping, correction, children)
  const { row, is } = correction
  if (is === 'headings') return anew(table, mapping, { headingRow: row, children })
  const { [String(row)]: _before, ...others } = mapping.describingRows
  return { ...mapping, describingRows: is === 'child' ? others : { ...others, [String(row)]: is } }
}

function withColumn(
  table: Table,
  mapping: GradebookMapping,
  { column, role }: { column: number; role: ColumnRole },
  children: readonly Matchable[],
): GradebookMapping {
  const { headingRow, columns, shape } = mapping
  const isLong = role === 'work' || (columns.includes('work') && columns[column] !== 'work')
  if (isLong !== (shape === 'long')) {
    const scored = isLong ? scoreColumn(table, mapping, column) : null
    const roles = new Map([[column, role], ...(scored === null ? [] : [[scored, 'score'] as const])])
    return anew(table, mapping, { headingRow, children, roles })
  }
  const follow = shape === 'wide' ? new Set(alike(table, mapping, { column, role })) : new Set<number>()
  return {
    ...mapping,
    columns: columns.map((each, at) => {
      if (at === column || follow.has(at)) return role
      return each === role && isOfOne(role, shape) ? 'ignore' : each
    }),
  }
}

/** What a person has said beside the columns and rows stays. */
function anew(table: Table, mapping: GradebookMapping, beside: Parameters<typeof guessGradebook>[2]): GradebookMapping {
  const { columns, describingRows: described, headingRow, shape } = guessGradebook(table, [], beside)
  return { ...mapping, columns, describingRows: described, headingRow, shape }
}

/** Whether only one column of a file can be it. */
function isOfOne(role: ColumnRole, shape: GradebookMapping['shape']): boolean {
  return role !== 'ignore' && (shape === 'long' || !['score', 'out of'].includes(role))
}

/** Of a file that was read a row per student, the column with the scores: the one that is called so, or the last. */
function scoreColumn(table: Table, { headingRow, columns }: GradebookMapping, work: number): number | null {
  const headings = table.rows.find(({ number }) => number === headingRow)?.cells ?? []
  const called = headings.findIndex((cell, at) => at !== work && roleByHeading(cell) === 'score')
  if (called >= 0) return called
  const last = columns.findLastIndex((role, at) => role === 'score' && at !== work)
  return last < 0 ? null : last
}

/**
 * The columns that are to a column what "Effort 2" is to "Effort 1", where each has others before it: in a row of
 * "Quiz 1, Quiz 2, Quiz 3" one may be left out by itself.
 */
function alike(
  table: Table,
  { headingRow, columns }: GradebookMapping,
  { column, role }: { column: number; role: ColumnRole },
): number[] {
  const before = columns[column]
  if (!(before === 'score' && role === 'ignore') && !(before === 'ignore' && role === 'score')) return []
  const headings = table.rows.find(({ number }) => number === headingRow)?.cells ?? []
  const likeIt = [stem, lastWord].map((kindOf) => {
    const kind = kindOf(headings[column] ?? '')
    return headings.flatMap((cell, at) => (kind !== '' && kindOf(cell) === kind ? [at] : []))
  })
  const standBetween = likeIt.find(
    (places) => places.length > 1 && places.every((at, nth) => nth === 0 || at - (places[nth - 1] ?? 0) > 1),
  )
  return standBetween?.filter((at) => columns[at] === before) ?? []
}

/** @example stem('Effort 2') // 'effort' */
function stem(heading: string): string {
  return headingKey(heading).replace(/\d/g, '')
}

/** @example lastWord('Essay %') // '%' */
function lastWord(heading: string): string {
  return heading.trim().toLocaleLowerCase('en').split(/\s+/).at(-1) ?? ''
}
