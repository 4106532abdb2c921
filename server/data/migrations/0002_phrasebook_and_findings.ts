import type { Knex } from 'knex'
import { usualCheckSettings } from '../../../core/school/checkSettings'

/**
 * Phrases with tone, grades, moves and owner; skills inside sentences; what a school's checks look for; accepted
 * findings.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table phrase
      add column moves text[] not null default '{}',
      add column tone text not null default '',
      add column grade_from integer, add column grade_to integer,
      add column owner uuid references person,
      add check ((grade_from is null) = (grade_to is null));
    alter table comment_box add column tone text not null default '';
    alter table skill add column in_sentence text not null default '';
    create table accepted_finding (
      student_id uuid not null references student, box text not null references comment_box, term_id uuid not null references term,
      check_name text not null, words text not null,
      person_id uuid not null references person,
      primary key (student_id, box, term_id, check_name, words)
    );
  `)
  await knex.raw(`update school set settings = jsonb_build_object('checks', ?::jsonb) || settings`, [
    JSON.stringify(usualCheckSettings),
  ])
}
