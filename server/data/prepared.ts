import type { Knex } from 'knex'

/**
 * Asks by a statement that is the same for everybody and is asked all day: each connection plans it once and not each
 * time, which for a long one costs more than to answer it.
 * @param name the statement's own, wherever it is asked from; a statement has one text for ever
 */
export async function askPrepared<Row>(
  db: Knex,
  name: string,
  statement: string,
  values: Readonly<Record<string, Knex.RawBinding>>,
): Promise<Row[]> {
  return (await db.raw<{ rows: Row[] }>(statement, { ...values }).options({ name })).rows
}
