import type { Knex } from 'knex'

/** Takes everything out of the database but its shape, and what waits for the press with it. */
export async function emptyDatabase(trx: Knex.Transaction): Promise<void> {
  const { rows } = await trx.raw<{ rows: { tables: string | null }[] }>(
    `select string_agg(format('%I', tablename), ', ') as tables from pg_tables
     where schemaname = 'public' and tablename not like 'knex\\_%'`,
  )
  await trx.raw(`truncate ${rows[0]?.tables ?? ''} restart identity`)
  await trx('retention_rule').insert({ openings_days: 365 })
  await trx.raw(`do $$ begin if to_regclass('pgboss.job') is not null then delete from pgboss.job; end if; end $$`)
}
