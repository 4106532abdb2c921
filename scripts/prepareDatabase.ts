import { loadDemo } from '../demo/loadDemo'
import { databaseUrl, openDatabase } from '../server/data/database'
import { demoMark, markOf, ownMark, setMark } from '../server/data/databaseMark'
import { migrate } from '../server/data/migrate'

/**
 * Brings a database up to date: makes it if it is missing, and migrates. Address: DATABASE_URL.
 * "--demo": loads the demo school where there is no school yet, unless somebody has thrown it away here.
 * "--reset": takes everything out first; only of a database that the demo was loaded into here.
 */
const url = new URL(databaseUrl())
const name = decodeURIComponent(url.pathname.slice(1))
await makeIfMissing()

const db = openDatabase(url.href)
try {
  if (process.argv.includes('--reset')) {
    await refuseUnlessDemo()
    await db.raw('drop schema public cascade; create schema public')
    await setMark(db, demoMark)
    // The queue itself stays: a press that runs now is working on it.
    await db.raw(`do $$ begin if to_regclass('pgboss.job') is not null then delete from pgboss.job; end if; end $$`)
  }
  await migrate(db)
  if (process.argv.includes('--demo') && !(await db('school').first()) && (await markOf(db)) !== ownMark) {
    // Whole or not at all: a load that breaks off leaves an empty database, into which it can be loaded again.
    await db.transaction((trx) => loadDemo(trx))
    console.log('The demo school is loaded.')
  }
} finally {
  await db.destroy()
}

async function refuseUnlessDemo(): Promise<void> {
  const { rows } = await db.raw<{ rows: { empty: boolean }[] }>(
    `select not exists (select from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r') as empty`,
  )
  if (rows[0]?.empty || (await markOf(db)) === demoMark) return
  throw new Error(`The database “${name}” holds what the demo did not put there. Nothing was changed.`)
}

async function makeIfMissing(): Promise<void> {
  const server = new URL(url)
  server.pathname = '/postgres'
  const admin = openDatabase(server.href)
  try {
    const { rows } = await admin.raw<{ rows: unknown[] }>('select 1 from pg_database where datname = ?', [name])
    if (rows.length === 0) await admin.raw('create database ??', [name])
  } finally {
    await admin.destroy()
  }
}
