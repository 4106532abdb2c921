import type { Knex } from 'knex'
import { rowKey, ruleOf, tableNames, type Change, type Row } from './changeableTables'
import { atPlaces, chunks } from './heldRows'

/** Columns of type jsonb, into which values go as text; migrations.test.ts asks the database whether these are all. */
export const jsonColumns: ReadonlySet<string> = new Set([
  ...['sentences', 'settings', 'definition', 'strand_names'],
  ...['mark_scale_by_grade', 'skill_scale_by_grade', 'limit_by_grade'],
])

/** Takes the rows away that shall go, from the last table to the first. */
export async function takeRows(trx: Knex.Transaction, changes: readonly Change[]): Promise<void> {
  for (const table of [...tableNames].reverse()) {
    const gone = changes.filter((change) => change.table === table && change.after === null)
    for (const some of chunks(gone)) {
      await atPlaces(trx(table), table, some).delete()
    }
  }
}

/**
 * Puts rows in and over, from the first table to the last. A row that is held is written over; one that is not is put
 * in only where there is still none.
 * @returns the changes whose place somebody else had taken by then; nothing of them was written
 */
export async function putRows(
  trx: Knex.Transaction,
  changes: readonly Change[],
  isHeld: (change: Change) => boolean,
  version: number | null,
): Promise<Change[]> {
  const lost: Change[] = []
  for (const table of tableNames) {
    const here = changes.filter((change) => change.table === table && change.after !== null)
    const key = [...ruleOf(table).key]
    for (const some of chunks(here.filter(isHeld))) {
      await trx(table)
        .insert(some.map((change) => columnsOf(change, version)))
        .onConflict(key)
        .merge()
    }
    const fresh = here.filter((change) => !isHeld(change)).sort(byPlace)
    for (const some of chunks(fresh)) {
      const rows: Row[] = await trx(table)
        .insert(some.map((change) => columnsOf(change, version)))
        .onConflict(key)
        .ignore()
        .returning(key)
      const made = new Set(rows.map((row) => rowKey({ table, key: row })))
      lost.push(...some.filter((change) => !made.has(rowKey(change))))
    }
  }
  return lost
}

function byPlace(a: Change, b: Change): number {
  return rowKey(a) < rowKey(b) ? -1 : 1
}

function columnsOf({ table, key, after }: Change, version: number | null): Row {
  const row: Row = { ...key, ...after, ...(ruleOf(table).versioned ? { version } : {}) }
  return Object.fromEntries(
    Object.entries(row).map(([column, value]) => [
      column,
      jsonColumns.has(column) && value !== null ? JSON.stringify(value) : value,
    ]),
  )
}
