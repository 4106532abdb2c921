import type { Knex } from 'knex'

/** Staff who are invited and choose their own password; teaching that can be changed and undone row by row. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table person alter column password_hash drop not null;
    create table invitation (
      token_hash text primary key,
      person_id uuid not null references person on delete cascade,
      made_at timestamptz not null default now(), expires timestamptz not null, used_at timestamptz
    );
    create index invitation_of_person on invitation (person_id);
    alter table teaching add column id uuid primary key default gen_random_uuid();
  `)
}
