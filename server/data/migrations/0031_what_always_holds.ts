import type { Knex } from 'knex'

/** What must hold of a whole table: after which changes it is asked, and what would speak against it. */
const rules = {
  person: {
    when: 'delete or update of role, grade_from, grade_to, switched_off, password_hash',
    broken: `exists (select from person) and not exists (select from person
      where role = 'coordinator' and grade_from is null and not switched_off and password_hash is not null)`,
  },
  teaching: {
    when: 'insert or update',
    broken: `new.subject is null and not new.second_reader and exists (select from teaching as other
      where other.class_id = new.class_id and other.id <> new.id and other.subject is null and not other.second_reader
        and daterange(other.from_day, other.to_day, '[]') && daterange(new.from_day, new.to_day, '[]'))`,
  },
  enrolment: {
    when: 'insert or update',
    broken: `exists (select from class_room as here join class_room as there
        on there.year_id = here.year_id and there.id <> here.id and there.subject is null
      join enrolment as other on other.class_id = there.id and other.student_id = new.student_id
      where here.id = new.class_id and here.subject is null
        and daterange(other.from_day, other.to_day, '[]') && daterange(new.from_day, new.to_day, '[]'))`,
  },
  term: {
    when: 'insert or update',
    broken: `exists (select from term as other where other.year_id = new.year_id and other.id <> new.id
      and daterange(other.starts, other.ends, '[]') && daterange(new.starts, new.ends, '[]'))`,
  },
} as const

/**
 * What must always hold of the whole, whoever writes and by whatever way: somebody can set the school up, a class has
 * one home teacher at a time, a child one home class, and terms do not overlap. It is asked when a transaction ends,
 * one such transaction at a time: of two that would each leave it whole and together not, the second is refused (the
 * words are in server/http/refusals.ts).
 */
export async function up(knex: Knex): Promise<void> {
  for (const [table, { when, broken }] of Object.entries(rules)) {
    await knex.raw(`
      create function ${table}_stays_whole() returns trigger language plpgsql as $$
      begin
        perform pg_advisory_xact_lock(hashtext('facunda ${table} as a whole'));
        -- A row that has changed once more in this transaction, or gone, is asked about as it stands at the end.
        ${table === 'person' ? '' : `select * into new from ${table} where ${keyOf(table)}; if not found then return null; end if;`}
        if ${broken} then
          raise exception using errcode = 'WH001', message = '${table} would not be whole', table = '${table}';
        end if;
        return null;
      end $$;

      create constraint trigger ${table}_stays_whole after ${when} on ${table}
        deferrable initially deferred for each row execute function ${table}_stays_whole();
    `)
  }
  // A note was undone by whoever had owned it; from now on by who still writes notes in the class.
  await knex.raw(`update event set needs = array_replace(needs, 'own', 'notes') where class_id is not null`)
}

function keyOf(table: string): string {
  return table === 'enrolment' ? 'class_id = new.class_id and student_id = new.student_id' : 'id = new.id'
}
