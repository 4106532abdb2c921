import type { Knex } from 'knex'

/**
 * A note may say a level of a skill or a score of a habit that was seen along the way; and a settled level keeps what
 * the record proposed then, so that it can be told when it has moved since.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table observation add column symbol text check (symbol is null or about_kind in ('skill', 'habit'));
    alter table settled_level add column proposed text;
  `)
}
