import type { Knex } from 'knex'

/** When progress reports of a term are due, where the school sends them. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table term add progress_due date')
}
