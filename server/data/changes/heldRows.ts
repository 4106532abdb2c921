import type { Knex } from 'knex'
import { keyValues, rowKey, ruleOf, tableNames, type Change, type Row, type StoredRow } from './changeableTables'

/** At most so many rows in one statement. */
const chunk = 500

/**
 * The rows that changes are about, as they stand, held until the transaction ends; by their place. Rows are always
 * held in the same order, so that two writers wait for each other and never both.
 */
export async function holdRows(
  trx: Knex.Transaction,
  changes: readonly Pick<Change, 'table' | 'key'>[],
): Promise<Map<string, StoredRow>> {
  const found = new Map<string, StoredRow>()
  for (const table of tableNames) {
    const { key, hidden = [] } = ruleOf(table)
    const columns = [...key]
    for (const some of chunks(changes.filter((change) => change.table === table))) {
      const rows: Row[] = await trx(table)
        .select('*')
        .whereIn(columns, some.map(keyValues) as never)
        .orderBy(columns)
        .forUpdate()
      for (const row of rows) found.set(rowKey({ table, key: row }), standingOf(row, [...columns, ...hidden]))
    }
  }
  return found
}

function standingOf(row: Row, leftOut: readonly string[]): StoredRow {
  const { version, written_in: writtenIn, ...rest } = row
  return {
    row: Object.fromEntries(Object.entries(rest).filter(([column]) => !leftOut.includes(column))),
    version: typeof version === 'number' ? version : null,
    writtenIn: typeof writtenIn === 'number' ? writtenIn : null,
  }
}

/** A list in pieces that one statement takes. */
export function* chunks<T>(items: readonly T[]): Generator<T[]> {
  for (let at = 0; at < items.length; at += chunk) yield items.slice(at, at + chunk)
}
