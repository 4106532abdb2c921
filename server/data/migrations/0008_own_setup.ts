import type { Knex } from 'knex'

/**
 * Set-ups that schools make themselves: skills of some grades, with their words as they follow a child's name; and what
 * is not used any more but has been rated or written in, which is retired and kept.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table skill
      add column does text not null default '',
      add column grade_from integer, add column grade_to integer,
      add check ((grade_from is null) = (grade_to is null) and grade_from <= grade_to);
    alter table subject add column retired boolean not null default false;
    alter table skill add column retired boolean not null default false;
    alter table habit add column retired boolean not null default false;
    alter table comment_box add column retired boolean not null default false;
  `)
}
