import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it, vi } from 'vitest'
import type { RunAnswer } from '../../contracts/answers'
import { freePort, startCluster } from '../../scripts/cluster.mjs'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { address, demoSignIn, signedInAs } from './client'
import { runWhen } from './runWhen'
import { juniper } from './school'

/** Whatever is killed is up again within this, on a busy machine too. */
const patience = { timeout: 60_000, interval: 200 }
/** The processes as they are now, from the file that their keeper writes. */
const pids = () =>
  JSON.parse(readFileSync(process.env.FACUNDA_PROCESSES ?? '', 'utf8')) as { web: number; press: number }

for (const [needed, what] of [
  ['FACUNDA_PROCESSES', 'two processes'],
  ['FACUNDA_CLUSTER', 'a database that is killed'],
] as const)
  if (!process.env[needed]) console.log(`SKIPPED, ${what}: a server of somebody’s own is not ours to stop.`)

it.runIf(process.env.FACUNDA_PROCESSES)(
  'a web process that is killed is started again, and nobody is signed out',
  async () => {
    const ines = await signedInAs('ines')
    process.kill(pids().web, 'SIGKILL')
    await vi.waitFor(async () => expect((await ines('GET', '/api/desk')).status).toBe(200), patience)
  },
)

it.runIf(process.env.FACUNDA_PROCESSES)(
  'a run whose press is killed goes on, and prints what was asked for',
  async () => {
    const ines = await signedInAs('ines')
    const place = await juniper(ines)
    process.kill(pids().press, 'SIGKILL')
    const { id } = (await ines<RunAnswer>('POST', `${place.path}/runs`, { students: [] })).body
    // The press takes it in hand again, dies with it, and another one goes on.
    await runWhen(ines, id, ['setting', 'finished'])
    process.kill(pids().press, 'SIGKILL')
    const run = await runWhen(ines, id, ['finished', 'failed'])
    expect(run).toMatchObject({ state: 'finished', done: 24 })
  },
)

it('sets runs fairly by person: a colleague’s comes before the last of many of one', async () => {
  const [ines, philippa] = [await signedInAs('ines'), await signedInAs('philippa')]
  const { path } = await juniper(ines)
  const ask = async (who: typeof ines) => (await who<RunAnswer>('POST', `${path}/runs`, { students: [] })).body.id
  const many = [await ask(ines), await ask(ines), await ask(ines), await ask(ines), await ask(ines)]
  const one = await ask(philippa)
  const db = openDatabase(databaseUrl())
  const order = async () =>
    (
      await db('report_run')
        .whereIn('id', [...many, one])
        .orderBy('finished_at')
    ).map(({ id }) => id)
  await expect
    .poll(
      async () =>
        (
          await db('report_run')
            .whereIn('id', [...many, one])
            .where({ state: 'finished' })
        ).length,
      {
        timeout: 60_000,
      },
    )
    .toBe(6)
  expect((await order()).indexOf(one)).toBeLessThan(4)
  await db.destroy()
})

it('says over TLS that it is asked over TLS alone, cookies too', async () => {
  const port = await freePort()
  const web = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: {
      ...{ ...process.env, DATABASE_URL: databaseUrl(), NUXT_SESSION_PASSWORD: 'tls'.repeat(11) },
      ...{ NITRO_PORT: String(port), NITRO_HOST: '127.0.0.1', FACUNDA_ORIGIN: 'https://reports.example.org' },
    },
  })
  try {
    const here = `http://127.0.0.1:${port}`
    await expect
      .poll(
        () =>
          fetch(`${here}/api/health`).then(
            ({ ok }) => ok,
            () => false,
          ),
        { timeout: 30_000 },
      )
      .toBe(true)
    const [name, password] = demoSignIn('ines')
    const answer = await fetch(`${here}/api/session`, {
      ...{ method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ name, password }) },
    })
    expect(answer.status).toBe(200)
    expect(answer.headers.getSetCookie().map((cookie) => /; Secure/.test(cookie))).toEqual([true, true])
    for (const { headers } of [answer, await fetch(`${here}/`), await fetch(`${here}/mark.svg`)])
      expect(headers.get('strict-transport-security')).toMatch(/^max-age=31536000/)
    expect((await fetch(`${address}/`)).headers.get('strict-transport-security')).toBeNull()
  } finally {
    web.kill()
  }
})

it('a backup made as the documents say comes back whole in an empty database, and in no other', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'facunda-')), 'facunda.backup')
  const name = `facunda_restored_${process.pid}`
  const target = Object.assign(new URL(databaseUrl()), { pathname: `/${name}` }).href
  const run = (script: string, url: string) => {
    const env = { ...process.env, DATABASE_URL: url }
    const args = ['--import', 'tsx', `scripts/${script}.ts`, file]
    const { status, stderr } = spawnSync(process.execPath, args, { env, encoding: 'utf8' })
    return `${status} ${stderr.trim()}`
  }
  expect(run('backUp', databaseUrl())).toBe('0 ')
  expect((statSync(file).mode & 0o777).toString(8)).toBe('600')
  const db = openDatabase(databaseUrl())
  await db.raw('create database ??', [name])
  const restored = openDatabase(target)
  try {
    expect(run('restore', target)).toBe('0 ')
    expect(run('restore', target)).toMatch(/^1 .*not empty/)
    for (const table of ['comment', 'event', 'result', 'settled_mark', 'phrase', 'report_file'] as const) {
      const digest = `select count(*) as rows, md5(string_agg(t::text, '' order by t::text)) as content from ${table} t`
      const [before, after] = await Promise.all([db.raw(digest), restored.raw(digest)])
      expect((after as { rows: unknown }).rows).toEqual((before as { rows: unknown }).rows)
    }
  } finally {
    await restored.destroy()
    await db.raw('drop database ??', [name])
    await db.destroy()
  }
})

it.runIf(process.env.FACUNDA_CLUSTER)(
  'a PostgreSQL that is killed is started again, with all that was in it',
  async () => {
    const folder = '.facunda/killed-cluster'
    rmSync(folder, { recursive: true, force: true })
    const cluster = await startCluster(folder)
    const leaveOff = cluster.keepUp()
    const db = openDatabase(cluster.url('postgres'))
    try {
      await db.raw('create table kept as select 7 as number')
      const postmaster = (): string => readFileSync(`${folder}/data/postmaster.pid`, 'utf8').split('\n')[0] ?? ''
      const killed = postmaster()
      process.kill(Number(killed), 'SIGKILL')
      await vi.waitFor(() => expect(postmaster()).not.toBe(killed), patience)
      await vi.waitFor(async () => expect(await db.first('number').from('kept')).toEqual({ number: 7 }), patience)
    } finally {
      leaveOff()
      await db.destroy()
      cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    }
  },
)
