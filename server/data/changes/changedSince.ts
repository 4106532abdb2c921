import { dequal } from 'dequal'
import { ruleOf, type Change, type Row, type StoredRow } from './changeableTables'

/** What is to be done about a change, now that its row is held. */
export type Verdict = 'make it' | 'stands so already' | 'changed since'

/**
 * The one rule of "has it changed since?". A row that a person would not tell from what is wanted stands so already,
 * whoever wrote it: a change that is sent twice is made once. Else what the writer saw must still stand.
 *
 * @example judge({ table: 'settled_level', key, seen: { symbol: '3' }, after: { symbol: '4' } }, rowWithSymbol('5'))
 * // 'changed since'
 */
export function judge(change: Change, standing: StoredRow | undefined): Verdict {
  const { after, seen } = change
  if (looksTheSame(change, standing)) return 'stands so already'
  if (seen === null) return standing === undefined ? 'make it' : 'changed since'
  if (standing === undefined) return after === null ? 'stands so already' : 'changed since'
  const columns: Row = standing.version === null ? standing.row : { ...standing.row, version: standing.version }
  return Object.entries(seen).every(([column, value]) => dequal(columns[column] ?? null, value))
    ? 'make it'
    : 'changed since'
}

function looksTheSame({ table, after }: Change, standing: StoredRow | undefined): boolean {
  if (after === null || standing === undefined) return after === null && standing === undefined
  const columns = ruleOf(table).seenIn ?? Object.keys(after)
  return columns.every((column) => dequal(standing.row[column] ?? null, after[column] ?? null))
}
