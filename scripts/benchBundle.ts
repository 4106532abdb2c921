import { spawnSync } from 'node:child_process'
import { createReadStream, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { headingsOf } from '../core/exchange/oneroster/tables'
import { demoDay } from '../demo/demoDay'
import { loadDemo } from '../demo/loadDemo'
import { openDatabase } from '../server/data/database'
import { migrate } from '../server/data/migrate'
import { askerOf } from '../server/data/people'
import { takeBundle } from '../server/services/bundle'
import { timesOf } from './benchTimes'
import { rowsOfAYear, writeRows } from './bundleOfAYear'
import { startCluster } from './cluster.mjs'

/**
 * What it takes to read, match and write a OneRoster bundle of a school's year with a million results, beside what
 * PostgreSQL's own \copy takes to lay the same rows of results.csv into a table without keys. One run, one database,
 * made for it and removed.
 */
const size = { rooms: 40, pupils: 25, works: 143 }
const cluster = await startCluster('.facunda/bench-cluster')
const name = `facunda_bench_${process.pid}`
const admin = openDatabase(cluster.url('postgres'))
await admin.raw('create database ??', [name])
const db = openDatabase(cluster.url(name))
const folder = mkdtempSync(join(tmpdir(), 'facunda-bundle-'))
const [zip, results] = [join(folder, 'bundle.zip'), join(folder, 'results.csv')]
try {
  await migrate(db)
  await db.transaction((trx) => loadDemo(trx))
  const yearId = (await db('school_year').first())?.id ?? ''
  // All of the year is taken in, whatever day the demo's terms lock on.
  await db('term').where({ year_id: yearId }).update({ locks: '2028-01-01' })
  // As in any school, there is a term that is locked: of the year before.
  await db.raw(
    `with old as (insert into school_year (name, starts, ends) values ('The year before', '2025-08-01', '2026-07-31')
       returning id)
     insert into term (year_id, name, starts, ends, comments_due, locks)
     select id, 'Summer term', '2026-04-01', '2026-07-01', '2026-06-20', '2026-07-01' from old`,
  )
  const terms = await db('term').where({ year_id: yearId }).orderBy('starts')
  const subjects = (await db('subject').where({ year_id: yearId }).orderBy('position')).map((each) => each.name)
  const rows = await writeRows(rowsOfAYear(size, { subjects, terms }), { zip, results })
  const asker = await askerOf(db, (await db('person').where({ sign_in: 'philippa' }).first())?.id ?? '', null)
  if (!asker) throw new Error('There is nobody to take it in.')
  let most = 0
  const watching = setInterval(() => (most = Math.max(most, process.memoryUsage.rss())), 20)
  const take = async (): Promise<string[]> => {
    const bytes = createReadStream(zip)
    const { brings, leftOut } = await takeBundle({ db, today: demoDay, ...asker }, yearId, { bytes, take: true })
    return [...brings, ...leftOut]
  }
  const copies = await timesOf(3, copyPlain)
  let brings: string[] = []
  const [first = 0] = await timesOf(1, async () => void (brings = await take()))
  const [again = 0] = await timesOf(1, async () => void brings.push(...(await take())))
  clearInterval(watching)
  const copy = [...copies].sort((a, b) => a - b)[1] ?? 0
  const megabytes = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`
  console.log(`a OneRoster bundle of ${rows.toLocaleString('en')} results (${megabytes(statSync(zip).size)} packed)`)
  for (const line of brings) console.log(`    ${line}`)
  console.log(`  read, matched and written          ${first.toFixed(0)} ms, at most ${megabytes(most)}`)
  console.log(`  … the same again, nothing new      ${again.toFixed(0)} ms`)
  console.log(
    `  \\copy of results.csv, bare table   ${copy.toFixed(0)} ms (middle of 3): ${(first / copy).toFixed(1)} times`,
  )
} finally {
  await db.destroy()
  await admin.raw('drop database ?? with (force)', [name])
  await admin.destroy()
  rmSync(folder, { recursive: true })
  if (cluster.startedHere) cluster.stop()
}

/** A program of its own, as whoever has the file and psql would do it. */
async function copyPlain(): Promise<void> {
  const columns = headingsOf('results').map((heading) => `"${heading}" text`)
  await db.raw(`drop table if exists bare`)
  await db.raw(`create table bare (${columns.join(', ')})`)
  const command = `\\copy bare from '${results}' with (format csv, header)`
  const { status, stderr } = spawnSync('psql', [cluster.url(name), '-qc', command], { encoding: 'utf8' })
  if (status !== 0) throw new Error(stderr)
}
