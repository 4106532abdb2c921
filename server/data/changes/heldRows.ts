import type { Knex } from 'knex'
import {
  keyValues,
  rowKey,
  ruleOf,
  tableNames,
  type Change,
  type ChangeableTable,
  type Row,
  type StoredRow,
} from './changeableTables'

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
      const rows: Row[] = await atPlaces(trx(table).select('*'), table, some).orderBy(columns).forUpdate()
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

/** So many places are named one by one; PostgreSQL looks more of them up, where it would compare each row with all. */
const fewPlaces = 20

/** The rows of a table at the places of changes. */
export function atPlaces<Query extends Knex.QueryBuilder>(
  query: Query,
  table: ChangeableTable,
  places: readonly Pick<Change, 'table' | 'key'>[],
): Query {
  const columns = [...ruleOf(table).key]
  if (places.length <= fewPlaces) return query.whereIn(columns, places.map(keyValues) as never) as Query
  const names = columns.join(', ')
  return query.whereRaw(`(${names}) in (select ${names} from jsonb_populate_recordset(null::${table}, ?::jsonb))`, [
    JSON.stringify(places.map(({ key }) => key)),
  ]) as Query
}

/** A list in pieces that one statement takes. */
export function* chunks<T>(items: readonly T[]): Generator<T[]> {
  for (let at = 0; at < items.length; at += chunk) yield items.slice(at, at + chunk)
}
