import type { Knex } from 'knex'

/**
 * What of a class in a term its teacher has signed off: a subject, or ('') what belongs to none. A locked term keeps
 * its sign-offs as all else.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table sign_off (
      class_id uuid not null references class_room(id) on delete cascade,
      term_id uuid not null references term(id) on delete cascade,
      subject text not null,
      person_id uuid not null references person(id),
      signed_at bigint not null,
      note text not null default '',
      primary key (class_id, term_id, subject)
    );
  `)
  const belongs = `select distinct term_id, class_id, null::uuid as student_id, nullif(subject, '') as subject from touched`
  for (const [when, rows] of [
    ['insert', 'new table as new_rows'],
    ['update', 'old table as old_rows new table as new_rows'],
    ['delete', 'old table as old_rows'],
  ] as const)
    await knex.raw(
      `create trigger kept_when_locked_${when} after ${when} on sign_off referencing ${rows}
       for each statement execute function keep_locked_terms('${belongs.replaceAll("'", "''")}')`,
    )
}
