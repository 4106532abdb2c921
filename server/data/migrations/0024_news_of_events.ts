import type { Knex } from 'knex'

/** Each event is told to who listens on "facunda_event", by its number, once its transaction has ended. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create function tell_event() returns trigger language plpgsql as $$
    begin
      perform pg_notify('facunda_event', new.id::text);
      return null;
    end $$;
    create trigger told after insert or update of changes on event for each row execute function tell_event();
  `)
}
