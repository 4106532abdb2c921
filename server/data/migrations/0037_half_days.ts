import type { Knex } from 'knex'

/** Schools that take the register twice a day count half days: days open and absences are numbers with halves. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table attendance
      alter column days_open type double precision,
      alter column absences type double precision
  `)
}
