import type { Knex } from 'knex'

/** Scales of a subject and room in a box that are other ones in some grades. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table subject add mark_scale_by_grade jsonb not null default '[]',
      add skill_scale_by_grade jsonb not null default '[]';
    alter table comment_box add limit_by_grade jsonb not null default '[]';
  `)
}
