import type { Knex } from 'knex'

/** What somebody has said that a phrase claims of a child; null where it is recognised by its words. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`alter table phrase add column claims text
    check (claims in ('level', 'particular', 'advice', 'courtesy'))`)
}
