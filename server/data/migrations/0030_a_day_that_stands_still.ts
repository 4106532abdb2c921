import type { Knex } from 'knex'

/**
 * A school that is shown and not worked in stands still on one day: whenever it is opened, its terms are where they
 * were. Every other school lives by the clock of the place where it is.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table standing_day (only_one boolean primary key default true check (only_one), day date not null);

    create or replace function school_day() returns date language sql stable as $$
      select coalesce((select day from standing_day), (clock_timestamp() at time zone coalesce(
        (select settings ->> 'timeZone' from school join school_year on id = year_id order by starts desc limit 1),
        current_setting('TimeZone')))::date)
    $$;
  `)
}
