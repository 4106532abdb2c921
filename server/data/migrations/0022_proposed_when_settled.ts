import type { Knex } from 'knex'

/** What the record proposed when a mark was settled, so that it can be told when it has moved since. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table settled_mark add column proposed double precision')
}
