import type { Knex } from 'knex'

/**
 * What a OneRoster bundle brought into a year, so that it can be taken back as one step: results as they came and as
 * they were, and the rows that they rest on.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table bundle (event_id bigint primary key references event, year_id uuid not null references school_year);
    create table bundle_row (
      event_id bigint not null, in_table text not null, key jsonb not null,
      before jsonb, after jsonb not null
    );
    create table bundle_result (
      event_id bigint not null, work_id uuid not null, student_id uuid not null,
      state text not null, score double precision, remark text not null,
      was_state text, was_score double precision, was_remark text
    );
    create index bundle_row_of_event on bundle_row (event_id);

    -- A number and a day as files write them; null for what is none.
    create function number_in(written text) returns double precision language sql immutable as $$
      select case when written ~ '^\\s*[0-9]{1,9}([.,][0-9]{1,12}){0,1}\\s*$'
        then replace(trim(written), ',', '.')::double precision end
    $$;
    create function day_in(written text) returns date language sql immutable as $$
      select case when written ~ '^[12][0-9]{3}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])' then
        case when substr(written, 9, 2)::int <= extract(day from make_date(substr(written, 1, 4)::int,
            substr(written, 6, 2)::int, 1) + interval '1 month' - interval '1 day')
          then substr(written, 1, 10)::date end
      end
    $$;
  `)
}
