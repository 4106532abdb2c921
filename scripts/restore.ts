import { execFileSync } from 'node:child_process'
import { databaseUrl, openDatabase } from '../server/data/database'
import { newestVersion, postgresPrograms } from './packages.mjs'

// Brings a backup into an empty database, whole or not at all: npm run restore -- FILE. Address: DATABASE_URL, or
// Facunda's own cluster.
const [file] = process.argv.slice(2)
if (file === undefined) fail('Say what: npm run restore -- FILE')
if (await holdsSomething())
  fail('This database is not empty. A backup is brought into an empty one; nothing was changed.')
const programs = postgresPrograms(newestVersion() ?? '')
const options = ['--no-owner', '--single-transaction', '--exit-on-error', `--dbname=${databaseUrl()}`, file]
execFileSync(`${programs}/pg_restore`, options, { stdio: 'inherit' })
console.log(`${file} is in.`)

async function holdsSomething(): Promise<boolean> {
  const db = openDatabase(databaseUrl())
  try {
    const { rows } = await db.raw<{ rows: unknown[] }>(
      `select 1 from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' limit 1`,
    )
    return rows.length > 0
  } finally {
    await db.destroy()
  }
}

function fail(message: string): never {
  console.error(message)
  process.exit(1)
}
