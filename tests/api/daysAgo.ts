import type { Knex } from 'knex'

/** The moment so many days ago by the database's clock, by which everything that is kept is judged. */
export async function daysAgo(db: Knex, days: number): Promise<Date> {
  const { rows } = await db.raw<{ rows: { now: Date }[] }>('select now()')
  return new Date((rows[0]?.now.getTime() ?? NaN) - days * 86_400_000)
}
