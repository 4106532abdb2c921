import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { createServer } from 'node:net'
import { loadDemo } from '../demo/loadDemo'
import { openDatabase } from '../server/data/database'
import { migrate } from '../server/data/migrate'
import { growSchool } from './benchGrow'
import { startCluster } from './cluster.mjs'

/**
 * A school of so many classes, each with a teacher, in a database of its own on Facunda's own cluster, with the built
 * web before it, for a measurement; both are gone when it is stopped.
 */
export async function startSchool({ name, classes }: { name: string; classes: number }) {
  /** As little of a client as can be, so that the machine is left to what is measured. */
  const connections = new Agent({ keepAlive: true })
  const cluster = await startCluster('.facunda/bench-cluster')
  const admin = openDatabase(cluster.url('postgres'))
  await admin.raw('create database ??', [name])
  const db = openDatabase(cluster.url(name))
  const port = await freePort()
  const address = `http://127.0.0.1:${port}`
  let web: ChildProcess | null = null

  async function stop(): Promise<void> {
    web?.kill()
    await db.destroy()
    await admin.raw('drop database ?? with (force)', [name])
    await admin.destroy()
    if (cluster.startedHere) cluster.stop()
  }

  function startWeb(): ChildProcess {
    return spawn(process.execPath, ['.output/server/index.mjs'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: cluster.url(name),
        NUXT_SESSION_PASSWORD: 'bench'.repeat(8),
        NITRO_HOST: '127.0.0.1',
        NITRO_PORT: String(port),
        NODE_ENV: 'production',
      },
    })
  }

  /** New connections, so that a setting of the database takes hold. */
  async function restartWeb(): Promise<void> {
    const old = web
    await new Promise((done) => {
      old?.once('exit', done)
      old?.kill()
    })
    web = startWeb()
    await healthy()
  }

  async function healthy(): Promise<void> {
    for (let nth = 0; nth < 200; nth += 1) {
      if (
        await fetch(`${address}/api/health`).then(
          (answer) => answer.ok,
          () => false,
        )
      )
        return
      await new Promise((done) => setTimeout(done, 100))
    }
    throw new Error('The web did not start. Build first: npm start builds, or node scripts/build.mjs.')
  }

  async function signIn(person: string): Promise<string> {
    const password = person === 'philippa' ? passwordOf('philippa') : 'bench-password'
    const answer = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: person, password }),
    })
    if (!answer.ok) throw new Error(`${person} could not sign in: ${answer.status}`)
    return answer.headers
      .getSetCookie()
      .map((each) => each.split(';')[0])
      .join('; ')
  }

  function ask(cookie: string, method: string, path: string, body?: object): Promise<Buffer> {
    const sent = body === undefined ? '' : JSON.stringify(body)
    const headers = {
      cookie,
      'accept-encoding': 'br',
      ...(body ? { 'content-type': 'application/json', 'content-length': Buffer.byteLength(sent) } : {}),
    }
    return new Promise((done, failed) => {
      const asked = request(`${address}${path}`, { method, headers, agent: connections }, (answer) => {
        const chunks: Buffer[] = []
        answer.on('data', (chunk: Buffer) => chunks.push(chunk))
        answer.on('end', () => {
          const bytes = Buffer.concat(chunks)
          if (answer.statusCode === 200) done(bytes)
          else failed(new Error(`${method} ${path}: ${answer.statusCode} ${bytes.toString()}`))
        })
      })
      asked.on('error', failed)
      asked.end(sent)
    })
  }

  try {
    await migrate(db)
    await db.transaction((trx) => loadDemo(trx))
    const rooms = await growSchool(db, classes)
    await db.raw('vacuum analyze')
    web = startWeb()
    await healthy()
    const term = (await db('term').orderBy('starts', 'desc').first())?.id ?? ''
    const webPid = (): number => web?.pid ?? 0
    const log = '.facunda/bench-cluster/data/server.log'
    return { db, admin, cluster, name, address, log, rooms, term, ask, signIn, restartWeb, webPid, stop }
  } catch (error) {
    await stop()
    throw error
  }
}

function passwordOf(person: string): string {
  const line = readFileSync('demo/school/people.csv', 'utf8')
    .split('\n')
    .find((each) => each.startsWith(`${person},`))
  return line?.split(',')[4] ?? ''
}

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer()
    probe.listen(0, '127.0.0.1', () => {
      const found = probe.address()
      probe.close(() => done(typeof found === 'object' && found ? found.port : 0))
    })
  })
}
