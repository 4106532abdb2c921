import type { Knex } from 'knex'

/**
 * How long a school keeps what it does not need for its reports: files that were brought, reports that were made, and
 * what can be undone. Until now all of it stayed for ever.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table care_rule
      add column files_left_days integer not null default 14 check (files_left_days > 0),
      add column files_taken_days integer not null default 365 check (files_taken_days > 0),
      add column reports_days integer not null default 1825 check (reports_days > 0),
      add column events_days integer not null default 1095 check (events_days > 0);
    create index event_by_time on event (last_at);
    create index gradebook_file_by_event on gradebook_file (event_id);
    create index event_undoes on event (undoes) where undoes is not null;
    create index event_undone_by on event (undone_by) where undone_by is not null;
  `)
}
