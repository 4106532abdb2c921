import { execFileSync } from 'node:child_process'
import type { Knex } from 'knex'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { demoDay } from '../../demo/demoDay'
import { loadDemo } from '../../demo/loadDemo'
import type { Who } from '../../server/access/grants'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { demoMark, ownMark, setMark } from '../../server/data/databaseMark'
import { migrate } from '../../server/data/migrate'
import { loadYears } from '../../server/data/schoolSetup'
import { leaveDemo } from '../../server/services/leaveDemo'

// The demo of a database of its own, thrown away for a school in its place.
const name = `facunda_leave_${process.pid}`
const url = Object.assign(new URL(databaseUrl()), { pathname: `/${name}` }).href
let admin: Knex
let db: Knex

beforeAll(async () => {
  process.env.FACUNDA_SETUP_KEY = 'the-key'
  admin = openDatabase(databaseUrl())
  await admin.raw('create database ??', [name])
  db = openDatabase(url)
  await migrate(db)
  await db.transaction((trx) => loadDemo(trx))
})
afterAll(async () => {
  await db.destroy()
  await admin.raw('drop database ?? with (force)', [name])
  await admin.destroy()
})

const leaveAs = async (signIn: string, school: string) => {
  const person = await db('person').where({ sign_in: signIn }).first()
  const who: Who = { personId: person?.id ?? '', role: person?.role ?? 'teacher', grades: null, teaching: [] }
  return leaveDemo({ db, who, today: demoDay, years: await loadYears(db) }, { name: school })
}
const counts = async () => {
  const { rows } = await db.raw<{ rows: { name: string; rows: number }[] }>(
    `select tablename as name, (xpath('/row/c/text()', query_to_xml(format('select count(*) as c from %I', tablename),
       false, true, '')))[1]::text::int as rows
     from pg_tables where schemaname = 'public' and tablename not like 'knex%'`,
  )
  return rows.filter((row) => row.rows > 0).map((row) => row.name)
}
const prepare = () =>
  execFileSync(process.execPath, ['--import', 'tsx', 'scripts/prepareDatabase.ts', '--demo'], {
    env: { ...process.env, DATABASE_URL: url },
    encoding: 'utf8',
  })

it('is thrown away by the coordinator alone, by its name, and only while it is the demo', async () => {
  const before = await counts()
  await expect(leaveAs('ines', 'Larkhollow School')).rejects.toThrow('You may not throw')
  await expect(leaveAs('philippa', 'Larkhollow')).rejects.toThrow('Nothing was changed')
  await setMark(db, ownMark)
  await expect(leaveAs('philippa', 'Larkhollow School')).rejects.toThrow('This is no demo school')
  expect(await counts()).toEqual(before)
})

it('leaves nothing behind but the place for a school, and does not come back', async () => {
  await setMark(db, demoMark)
  expect(await leaveAs('philippa', 'Larkhollow School')).toBe('the-key')
  expect(await counts()).toEqual(['retention_rule'])
  expect(prepare()).not.toContain('demo school is loaded')
  expect(await counts()).toEqual(['retention_rule'])
})
