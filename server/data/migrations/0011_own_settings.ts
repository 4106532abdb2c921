import type { Knex } from 'knex'

/** How each person likes to work. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table person_setting (person_id uuid primary key references person on delete cascade, settings jsonb not null)
  `)
}
