import type { Knex } from 'knex'

// A comment on the schema says whose a database is, so that nothing is thrown away or filled that should not be.

/** A database that holds nothing but the demo. */
export const demoMark = 'Facunda: the demo school'
/** A database that is somebody's own, though there may be no school in it yet: the demo is never loaded into it. */
export const ownMark = 'Facunda: a school of its own'

/** Whose the database is; null where nothing is said. */
export async function markOf(db: Knex): Promise<string | null> {
  const { rows } = await db.raw<{ rows: { mark: string | null }[] }>(
    `select obj_description('public'::regnamespace, 'pg_namespace') as mark`,
  )
  return rows[0]?.mark ?? null
}

/** Says whose the database is. */
export async function setMark(db: Knex, mark: typeof demoMark | typeof ownMark): Promise<void> {
  await db.raw(`comment on schema public is '${mark}'`)
}
