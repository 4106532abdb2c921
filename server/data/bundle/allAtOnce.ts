import type { Knex } from 'knex'

/** Whether very many new rows are looked at together: that pays from some number on; a mere look never does it. */
export type AllAtOnce = 'where it pays' | 'always' | 'never'

/** So many new rows at once are sooner looked at together than one by one. */
export const manyRows = 20_000

/** How much of a table is looked at once, at the end, instead of row by row. */
type Rules = 'what it rests on' | 'what it rests on, and its keys'

/**
 * Writes very many rows while nobody else writes into the table, and has the database look once, at the end and at all
 * of them, whether what they rest on is there and no two share a key: one by one that takes four times as long.
 * @throws whatever the database says of rows that break a rule
 */
export async function lookedAtAllAtOnce<T>(
  trx: Knex.Transaction,
  { table, rules }: { table: 'work' | 'result'; rules: Rules },
  writing: () => Promise<T>,
): Promise<T> {
  const withKeys = rules === 'what it rests on, and its keys'
  const { rows: bound } = await trx.raw<{ rows: { name: string; rule: string }[] }>(
    `select conname as name, pg_get_constraintdef(oid) as rule from pg_constraint
     where conrelid = :table::regclass and contype = any(:kinds) order by contype desc`,
    { table, kinds: withKeys ? ['p', 'f'] : ['f'] },
  )
  const { rows: indexes } = await trx.raw<{ rows: { name: string; rule: string }[] }>(
    `select indexrelid::regclass::text as name, pg_get_indexdef(indexrelid) as rule from pg_index
     where :withKeys and indrelid = :table::regclass and not indisprimary`,
    { table, withKeys },
  )
  for (const { name } of bound) await trx.raw('alter table ?? drop constraint ??', [table, name])
  for (const { name } of indexes) await trx.raw('drop index ??', [name])
  const made = await writing()
  await trx.raw(`set local maintenance_work_mem = '128MB'`)
  for (const { name, rule } of bound) await trx.raw(`alter table ?? add constraint ?? ${rule}`, [table, name])
  for (const { rule } of indexes) await trx.raw(rule)
  return made
}
