import type { Knex } from 'knex'

/** The press sets blank tables too: a run with a title of its own, whose one sheet is about nobody in particular. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table report_run add column title text;
    alter table report_document alter column student_id drop not null;
  `)
}
