import { loadDemo } from '../demo/loadDemo'
import { openDatabase } from '../server/data/database'
import { migrate } from '../server/data/migrate'

/**
 * Brings a database up to date: makes it if it is missing, migrates, and loads the demo school when there is no school.
 * With "--reset" everything in it goes first. Address: DATABASE_URL.
 */
const url = new URL(process.env.DATABASE_URL ?? '')
const name = decodeURIComponent(url.pathname.slice(1))
await makeIfMissing()

const db = openDatabase(url.href)
try {
  if (process.argv.includes('--reset')) await db.raw('drop schema public cascade; create schema public')
  await migrate(db)
  if (!(await db('school').first())) {
    const today = new Date().toLocaleDateString('sv-SE')
    await loadDemo(db, today)
    console.log('The demo school is loaded.')
  }
} finally {
  await db.destroy()
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
