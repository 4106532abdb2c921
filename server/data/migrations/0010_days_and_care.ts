import type { Knex } from 'knex'

/**
 * From when to when a child is in a class and somebody teaches there; second readers; coordinators of some grades; who
 * opened which class; and that somebody's data was erased.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table enrolment add column from_day date, add column to_day date, add check (from_day <= to_day);
    alter table teaching add column from_day date, add column to_day date, add check (from_day <= to_day),
      add column second_reader boolean not null default false;
    alter table person add column grade_from smallint, add column grade_to smallint,
      add check ((grade_from is null) = (grade_to is null) and grade_from <= grade_to);

    -- Who is in a class in a term, as of a day: the one place where this is decided. In a term that is over, its last
    -- day counts; before a term, its first. Who left the school in the middle of a term stays in the class for that
    -- term: a report is owed. Who went to another class of the year is there, and no longer here.
    create function members_of(of_class uuid, of_term uuid, today date) returns setof enrolment
      language sql stable as $$
        select place.* from enrolment as place join term on term.id = of_term,
          lateral (select greatest(term.starts, least(term.ends, today)) as day) as asked
        where place.class_id = of_class and (place.from_day is null or place.from_day <= asked.day)
          and (place.to_day is null or place.to_day >= asked.day
            or (place.to_day >= term.starts and not exists (
              select from enrolment as next join class_room on class_room.id = next.class_id
              where next.student_id = place.student_id and next.from_day > place.to_day
                and class_room.year_id = term.year_id)))
      $$;

    create table opening (
      person_id uuid not null references person, class_id uuid not null references class_room on delete cascade,
      term_id uuid not null references term on delete cascade, day date not null,
      times integer not null default 1, last_at timestamptz not null default now(),
      primary key (person_id, class_id, term_id, day)
    );
    create index opening_of_class on opening (class_id, day);
    -- Who is told of a child: of two families each is its own household.
    create table contact (
      id uuid primary key, student_id uuid not null references student,
      name text not null, relation text not null, household smallint not null check (household between 1 and 9),
      email text not null, language text not null, told boolean not null, position integer not null
    );
    create index contact_of_student on contact (student_id);
    create table care_rule (
      only_one boolean primary key default true check (only_one), openings_days integer not null check (openings_days > 0)
    );
    insert into care_rule (openings_days) values (365);
    create table erasure (
      id uuid primary key default gen_random_uuid(),
      at timestamptz not null default now(), person_id uuid not null references person, reason text not null
    );
  `)
}
