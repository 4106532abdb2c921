import type { Knex } from 'knex'

/**
 * A subject is taken by everybody in their classes, or by those alone who are in a group of it; and a child otherwise
 * than the rest. not_taking is the one place where it follows who does not take what (core/record/takers.ts).
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table subject add column taken_by text not null default 'class' check (taken_by in ('class', 'groups'));
    create table subject_choice (
      year_id uuid not null references school_year, student_id uuid not null references student,
      subject text not null, takes boolean not null,
      primary key (student_id, year_id, subject)
    );
    create index subject_choice_of_year on subject_choice (year_id);

    -- The children of a year, each with the subjects that they do not take in a term of it.
    create function not_taking(of_term uuid, today date) returns table (student_id uuid, subject text)
      language sql stable as $$
        with own as materialized (select year_id from term where id = of_term),
          choice as materialized (select c.* from subject_choice as c, own where c.year_id = own.year_id),
          grouped as materialized (select s.key from subject as s, own
            where s.year_id = own.year_id and s.taken_by = 'groups' and not s.retired),
          child as materialized (select distinct place.student_id from enrolment as place
            join class_room as room on room.id = place.class_id, own
            where room.year_id = own.year_id and exists (select from grouped)),
          in_group as materialized (select room.subject, place.student_id
            from class_room as room join grouped on grouped.key = room.subject, own,
              lateral members_of(room.id, of_term, today) as place
            where room.year_id = own.year_id)
        select choice.student_id, choice.subject from choice where not choice.takes
        union all
        select child.student_id, grouped.key from child cross join grouped
          where not exists (select from in_group as place
              where place.student_id = child.student_id and place.subject = grouped.key)
            and not exists (select from choice
              where choice.student_id = child.student_id and choice.subject = grouped.key)
      $$;
  `)
}
