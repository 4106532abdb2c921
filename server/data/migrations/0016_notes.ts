import type { Knex } from 'knex'

/**
 * Notes say what they are about, who wrote them, and whether a family may be told. Those from before keep their word
 * for what they are about, where it is a skill's or a habit's; nobody is known to have written them.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table observation
      add column about_kind text check (about_kind in ('skill', 'habit', 'work')),
      add column may_tell boolean not null default false,
      add column written_by uuid references person;
    update observation set about_kind = 'skill' where exists (select from skill where skill.id = about);
    update observation set about_kind = 'habit'
      where about_kind is null and exists (select from habit where habit.key = about);
    create index observation_of_student on observation (student_id, term_id);
  `)
}
