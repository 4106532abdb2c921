import type { Knex } from 'knex'

/**
 * Versions that never fall, identity by kind and key, what each action needed, sessions that can be ended, reports kept
 * as they were asked for, and a version of the school's set-up.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table setup_version (id integer primary key default 1 check (id = 1), version uuid not null);
    insert into setup_version (version) values (gen_random_uuid());

    alter table comment alter column version type bigint, add column written_in bigint;
    create sequence comment_version;

    alter table settled_level drop constraint settled_level_pkey, add primary key (student_id, kind, about, term_id);

    alter table event add column needs text[], add column last_at timestamptz not null default now();

    alter table describing_word rename to describing_word_before;
    create table describing_words (tier text primary key, words text[] not null);
    insert into describing_words
      select tier, array_agg(word order by position) from describing_word_before group by tier;
    drop table describing_word_before;

    alter table person
      add column session_epoch integer not null default 1,
      add column switched_off boolean not null default false;

    alter table report_run add column heartbeat timestamptz;
    create table report_document (
      run_id uuid not null references report_run, position integer not null, student_id uuid not null references student,
      document jsonb not null,
      primary key (run_id, position)
    );

    create index result_of_student on result (student_id);
    create index enrolment_of_student on enrolment (student_id);
    create index teaching_of_class on teaching (class_id);
    create index run_of_class on report_run (class_id, term_id, asked_at desc);
    create index student_of_grade on student (grade_level);
  `)
  // Until now the demo was the only school there could be.
  if (await knex('school').first()) await knex.raw(`comment on schema public is 'Facunda: the demo school'`)
  await knex.raw(`
    select setval('comment_version', greatest(1, (select coalesce(max(version), 1) from comment)));
  `)
}
