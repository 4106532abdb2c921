import type { Knex } from 'knex'

const ofTerm = (subject: string, roomOf = 'null::uuid'): string =>
  `select distinct term_id, ${roomOf} as class_id, student_id, ${subject} as subject from touched`
const ofWork = `select distinct work.term_id, work.class_id, null::uuid as student_id, work.subject
  from touched join work on work.id = touched.work_id`
const ofBox = `select distinct touched.term_id, null::uuid as class_id, student_id, comment_box.subject
  from touched join term on term.id = touched.term_id
  left join comment_box on comment_box.year_id = term.year_id and comment_box.key = touched.box`

/**
 * Which terms, classes, children and subjects the rows of a table belong to. No subject: it belongs to the class as a
 * whole; "*": to whatever subject is open.
 */
const belonging: Readonly<Record<string, string>> = {
  work: `select distinct term_id, class_id, null::uuid as student_id, subject from touched`,
  result: ofWork,
  question: ofWork,
  answer: ofWork,
  settled_mark: ofTerm('subject'),
  settled_level: `select distinct touched.term_id, null::uuid as class_id, student_id, skill.subject
    from touched join term on term.id = touched.term_id
    left join skill on touched.kind = 'skill' and skill.year_id = term.year_id and skill.id = touched.about`,
  comment: ofBox,
  accepted_finding: ofBox,
  attendance: ofTerm('null::text'),
  practice: ofTerm(`'*'`),
  observation: ofTerm(`'*'`),
  register_day: `select distinct term.id as term_id, null::uuid as class_id, touched.student_id, null::text as subject
    from touched join term on touched.day between term.starts and term.ends`,
}

/**
 * Classes and subjects whose locked term the coordinator opens again for some days; and the lock as a rule of the
 * database itself: whatever writes, rows of a locked term that was not opened again stay as they are. Statements are
 * judged, not rows, so that a long file costs one look. A transaction that restores a school, or takes somebody's data
 * away, sets the lock aside (server/data/lockSetAside.ts).
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table reopening (
      id uuid primary key default gen_random_uuid(),
      term_id uuid not null references term(id) on delete cascade,
      class_id uuid references class_room(id) on delete cascade,
      subject text,
      from_day date not null,
      to_day date not null,
      reason text not null,
      made_by uuid not null references person(id),
      check (class_id is not null or subject is not null),
      check (to_day >= from_day - 1)
    );
    create index reopening_of_term on reopening (term_id);

    create function school_day() returns date language sql stable as $$
      select (clock_timestamp() at time zone coalesce(
        (select settings ->> 'timeZone' from school join school_year on id = year_id order by starts desc limit 1),
        current_setting('TimeZone')))::date
    $$;

    create function is_locked(of_term uuid, of_class uuid, of_student uuid, of_subject text) returns boolean
    language sql stable as $$
      select exists (select from term where id = of_term and locks <= school_day()) and not exists (
        select from reopening as again
        where again.term_id = of_term and school_day() between again.from_day and again.to_day
          and (again.subject is null or of_subject in (again.subject, '*'))
          and (again.class_id is null or again.class_id = of_class or exists (
            select from enrolment where enrolment.class_id = again.class_id and enrolment.student_id = of_student)))
    $$;

    create function keep_locked_terms() returns trigger language plpgsql as $$
    declare
      shut term;
      touched text := case tg_op when 'INSERT' then 'select * from new_rows' when 'DELETE' then 'select * from old_rows'
        else 'select * from new_rows union all select * from old_rows' end;
    begin
      if current_setting('facunda.lock', true) = 'set aside' then return null; end if;
      execute format($query$
        with touched as (%s), belongs as (%s)
        select term.* from belongs join term on term.id = belongs.term_id
        where term.locks <= school_day()
          and is_locked(belongs.term_id, belongs.class_id, belongs.student_id, belongs.subject)
        limit 1
      $query$, touched, tg_argv[0]) into shut;
      if shut.id is not null then
        raise exception using errcode = 'LT001', message = 'The term is locked.',
          detail = json_build_object('name', shut.name, 'locks', shut.locks)::text;
      end if;
      return null;
    end $$;
  `)
  for (const [table, query] of Object.entries(belonging)) {
    for (const [when, rows] of [
      ['insert', 'new table as new_rows'],
      ['update', 'old table as old_rows new table as new_rows'],
      ['delete', 'old table as old_rows'],
    ] as const) {
      await knex.raw(
        `create trigger kept_when_locked_${when} after ${when} on ${table} referencing ${rows}
         for each statement execute function keep_locked_terms('${query.replaceAll("'", "''")}')`,
      )
    }
  }
}
