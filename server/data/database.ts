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

/** Codes of the system for a connection that is not made, or breaks. */
const broken = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOENT', 'ETIMEDOUT', 'EHOSTUNREACH', 'ENOTFOUND', 'EAI_AGAIN']
/** How pg and knex say that a connection is no more. */
const brokenWords = /Connection terminated|Connection ended|not queryable|Client was closed|query already complete/

/**
 * Why the database cannot do anything just now, rather than that it refused something; null where it can. Classes of
 * PostgreSQL's error codes: 08 connections, 57P its operator, 53 no room (disk, memory, connections), 58 the system.
 */
export function hindrance(error: unknown): 'unreachable' | 'no room' | null {
  if (!(error instanceof Error)) return null
  const code = 'code' in error ? String(error.code) : ''
  if (/^(53[0124]|58)/.test(code)) return 'no room'
  const isBroken = broken.includes(code) || /^(08|57P|533)/.test(code)
  return isBroken || error.name === 'KnexTimeoutError' || brokenWords.test(error.message) ? 'unreachable' : null
}
