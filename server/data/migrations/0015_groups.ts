import type { Knex } from 'knex'

/**
 * Groups: children of several classes who are taught one subject together. A group is a class of the year with a
 * subject of its own; a home class has none. Who goes to another home class leaves no group, and the other way about.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table class_room add column subject text check (subject <> '');

    create or replace function members_of(of_class uuid, of_term uuid, today date) returns setof enrolment
      language sql stable as $$
        select place.* from enrolment as place join term on term.id = of_term
          join class_room as here on here.id = place.class_id,
          lateral (select greatest(term.starts, least(term.ends, today)) as day) as asked
        where place.class_id = of_class and (place.from_day is null or place.from_day <= asked.day)
          and (place.to_day is null or place.to_day >= asked.day
            or (place.to_day >= term.starts and not exists (
              select from enrolment as next join class_room on class_room.id = next.class_id
              where next.student_id = place.student_id and next.from_day > place.to_day
                and class_room.year_id = term.year_id and class_room.subject is not distinct from here.subject)))
      $$;
  `)
}
