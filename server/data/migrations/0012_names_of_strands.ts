import type { Knex } from 'knex'

/** A strand is known by the name it was first given, and shown by the one it has now. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`alter table subject add strand_names jsonb not null default '{}'`)
}
