import type { Knex } from 'knex'

/** Phrases that tell of a strand whose skills lie far apart. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table phrase add column uneven boolean not null default false')
}
