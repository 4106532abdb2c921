import knex, { type Knex } from 'knex'
import pg from 'pg'

// Dates stay ISO text: a school day has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text)
pg.types.setTypeParser(pg.types.builtins.INT8, (text) => Number(text))

/**
 * Opens a pool on a PostgreSQL server. Connections that break are made anew, so a restart of the server is survived.
 */
export function openDatabase(url: string): Knex {
  return knex({
    client: 'pg',
    // Our statements are many and short: compiling them costs more than it gains.
    connection: { connectionString: url, options: '-c jit=off' },
    pool: { min: 0, max: poolSize },
    acquireConnectionTimeout: 8000,
  })
}

/**
 * Connections of one process. Six web processes and four presses fit the hundred that PostgreSQL has as installed
 * (docs/operating.md).
 */
const poolSize = Number(process.env.FACUNDA_CONNECTIONS ?? 8)

let shared: Knex | null = null

/** The process's pool, on the server that DATABASE_URL names. */
export function database(): Knex {
  shared ??= openDatabase(databaseUrl())
  return shared
}

/** @throws Error when DATABASE_URL is not set */
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL
  if (!url)
    throw new Error('DATABASE_URL is not set. Start Facunda with `npm start`, or set it to your own PostgreSQL.')
  return url
}

/** A connection beside the pool, for who listens; not connected yet. */
export function ownConnection(): pg.Client {
  return new pg.Client({ connectionString: databaseUrl(), connectionTimeoutMillis: 8000 })
}

/** Asks the database for nothing, to see whether it answers. @throws where it does not */
export async function askNothing(db: Knex): Promise<void> {
  await db.raw('select 1')
}

/** Whether an error means that the database cannot be reached just now, rather than that it refused something. */
export function isUnreachable(error: unknown): boolean {
  const code = error instanceof Error && 'code' in error ? String(error.code) : ''
  const name = error instanceof Error ? error.name : ''
  return (
    ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOENT', '57P01', '57P02', '57P03', '08006', '08001', '53300'].includes(
      code,
    ) ||
    name === 'KnexTimeoutError' ||
    (error instanceof Error && /Connection terminated|Connection ended/.test(error.message))
  )
}
