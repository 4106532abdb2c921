import type { Knex } from 'knex'

/**
 * The results of a piece of work that a bundle itself brought are not written down a second time: how many they were
 * and what they come to is enough to tell whether any has been changed since.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table bundle_work (
      event_id bigint not null, work_id uuid not null, results int not null, sum bigint not null,
      primary key (event_id, work_id)
    );

    -- What one result comes to; those of a piece of work are put together by bit_xor.
    create function sum_of_result(student_id uuid, state text, score double precision, remark text)
      returns bigint language sql immutable as $$
      select uuid_hash_extended(student_id, hashtextextended(state, hashtextextended(remark,
        coalesce(hashfloat8extended(score, 1), 0))))
    $$;

    -- Nearly all scores are plain whole numbers, for which no pattern need be matched.
    create or replace function number_in(written text) returns double precision language sql immutable as $$
      select case when length(written) between 1 and 9 and translate(written, '0123456789', '') = ''
        then written::double precision
        when written ~ '^\\s*[0-9]{1,9}([.,][0-9]{1,12}){0,1}\\s*$'
        then replace(trim(written), ',', '.')::double precision end
    $$;
  `)
}
