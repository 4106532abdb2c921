import type { Knex } from 'knex'

/**
 * The lock's guard finds out once which terms are locked, looks at no row where none is, and asks of groups of rows
 * what it asked of each: a bundle of a million results waited fifteen seconds for it.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create or replace function keep_locked_terms() returns trigger language plpgsql as $$
    declare
      shut record;
      today date := school_day();
      touched text := case tg_op when 'INSERT' then 'select * from new_rows' when 'DELETE' then 'select * from old_rows'
        else 'select * from new_rows union all select * from old_rows' end;
    begin
      if current_setting('facunda.lock', true) = 'set aside' then return null; end if;
      if not exists (select from term where locks <= today) then return null; end if;
      execute format($query$
        with touched as (%s), belongs as materialized (%s),
          shut as materialized (select id, name, locks from term where locks <= %L),
          near as materialized (select * from belongs join shut on shut.id = belongs.term_id)
        select name, locks from near where is_locked(term_id, class_id, student_id, subject)
        limit 1
      $query$, touched, tg_argv[0], today) into shut;
      if shut.name is not null then
        raise exception using errcode = 'LT001', message = 'The term is locked.',
          detail = json_build_object('name', shut.name, 'locks', shut.locks)::text;
      end if;
      return null;
    end $$;
  `)
}
