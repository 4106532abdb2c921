import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync, statSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { createServer } from 'node:net'
import { brotliDecompressSync } from 'node:zlib'
import { wholeSentence, type KeptSentence } from '../core/narrative/keptSentence'
import { loadDemo } from '../demo/loadDemo'
import { openDatabase } from '../server/data/database'
import { migrate } from '../server/data/migrate'
import { stopReading } from '../server/reading/readSheetsBeside'
import { fillYear, growSchool } from './benchGrow'
import { folderTimes } from './benchFolder'
import { percentiles, slowestHealth, timesOf, together } from './benchTimes'
import { yearTimes } from './benchYear'
import { startCluster } from './cluster.mjs'

/**
 * What a school of 48 classes and 40 teachers at once costs: a school that is made for it in a database of its own, on
 * Facunda's own cluster, and removed. Queries are counted in PostgreSQL's own log.
 */
const classes = 48
const users = 40
const savesEach = 15
const recordsEach = 4

/** As little of a client as can be, so that the machine is left to what is measured. */
const connections = new Agent({ keepAlive: true })
const cluster = await startCluster('.facunda/bench-cluster')
const name = `facunda_bench_${process.pid}`
const admin = openDatabase(cluster.url('postgres'))
await admin.raw('create database ??', [name])
const db = openDatabase(cluster.url(name))
const port = await freePort()
const address = `http://127.0.0.1:${port}`
const log = '.facunda/bench-cluster/data/server.log'
let web: ChildProcess | null = null
try {
  await migrate(db)
  await db.transaction((trx) => loadDemo(trx, new Date().toLocaleDateString('sv-SE')))
  const rooms = await growSchool(db, classes)
  await db.raw('vacuum analyze')
  web = startWeb()
  await healthy()
  const teachers = await Promise.all(rooms.slice(0, users).map((room) => signIn(room.signIn)))
  const term = (await db('term').orderBy('starts', 'desc').first())?.id ?? ''
  const places = rooms.map((room) => `/api/classes/${room.id}/${term}`)
  await report(teachers, places)
} finally {
  web?.kill()
  await stopReading()
  await db.destroy()
  await admin.raw('drop database ?? with (force)', [name])
  await admin.destroy()
  if (cluster.startedHere) cluster.stop()
}

async function report(teachers: string[], places: string[]): Promise<void> {
  const [one = '', place = ''] = [teachers[0], places[0]]
  const students = await db('enrolment').where({ class_id: place.split('/')[3] ?? '' })
  let symbol: string | null =
    (
      await db('settled_level')
        .where({ student_id: students[0]?.student_id ?? '', about: 'M1', kind: 'skill' })
        .first()
    )?.symbol ?? null
  const level = (cookie: string, where: string, cell: { studentId: string; was: string | null; symbol: string }) =>
    ask(cookie, 'PUT', `${where}/levels`, { levels: [{ ...cell, kind: 'skill', about: 'M1' }] })
  const queries = async (work: () => Promise<unknown>): Promise<number> => {
    await work()
    await db.raw(`alter database ?? set log_statement = 'all'`, [name])
    await restartWeb()
    await work()
    const from = statSync(log).size
    await work()
    const lines =
      readFileSync(log)
        .subarray(from)
        .toString('utf8')
        .match(/LOG: {2}(statement|execute)/g) ?? []
    await db.raw('alter database ?? reset log_statement', [name])
    await restartWeb()
    return lines.length
  }
  const saveOnce = async (): Promise<void> => {
    const next = symbol === '2' ? '3' : '2'
    await level(one, place, { studentId: students[0]?.student_id ?? '', was: symbol, symbol: next })
    symbol = next
  }
  console.log(`a school of ${classes} classes, ${users} users at once`)
  console.log(`  queries for one level saved        ${await queries(saveOnce)}`)
  console.log(`  queries for a class's record       ${await queries(() => ask(one, 'GET', place))}`)
  const sizes = await size(one, place)
  console.log(`  a class's record on the wire       ${sizes}`)
  console.log(`  … alone                            ${percentiles(await timesOf(8, () => ask(one, 'GET', place)))}`)
  const openClass = (cookie: string, nth: number): Promise<unknown> => ask(cookie, 'GET', places[nth] ?? '')
  const paced = await together(teachers, 3, openClass, 4000)
  console.log(`  … ${users} users, one in four seconds    ${percentiles(paced)}`)
  const records = await together(teachers, recordsEach, openClass)
  console.log(`  … without a pause                  ${percentiles(records)}`)
  const cells = await Promise.all(
    places.map(
      async (each) => (await db('enrolment').where({ class_id: each.split('/')[3] ?? '' }))[1]?.student_id ?? '',
    ),
  )
  const seen = new Map<number, string | null>()
  const saveCell = async (cookie: string, nth: number): Promise<void> => {
    const was = seen.has(nth) ? (seen.get(nth) ?? null) : await standing(cells[nth] ?? '')
    const next = was === '2' ? '3' : '2'
    await level(cookie, places[nth] ?? '', { studentId: cells[nth] ?? '', was, symbol: next })
    seen.set(nth, next)
  }
  console.log(
    `  a level saved, ${users} users, one a second ${percentiles(await together(teachers, 8, saveCell, 1000))}`,
  )
  const saves = await together(teachers, savesEach, saveCell)
  console.log(`  … without a pause                  ${percentiles(saves)}`)
  const least = await together(teachers, savesEach, () => ask('', 'GET', '/api/health'))
  console.log(`  the least request there is (one query), without a pause  ${percentiles(least)}`)
  const philippa = await signIn('philippa')
  console.log(
    `  the coordinator's desk             ${percentiles(await timesOf(10, () => ask(philippa, 'GET', '/api/desk')))}`,
  )
  const { year_id: yearId } = await db('term')
    .orderBy('starts', 'desc')
    .first('year_id')
    .then((row) => row ?? { year_id: '' })
  const asCoordinator = (method: string, path: string, body?: object): Promise<Buffer> =>
    ask(philippa, method, path, body)
  let last = yearId
  for (let more = 0; more < 2; more += 1) {
    const { lines, made } = await yearTimes(asCoordinator, last, brotliDecompressSync)
    for (const line of lines) console.log(line)
    await fillYear(db, { from: yearId, to: made })
    last = made
  }
  const folder = `${name}_folder`
  await admin.raw('create database ??', [folder])
  try {
    const take = (): Promise<Buffer> => ask(philippa, 'GET', `/api/years/${yearId}/folder`)
    for (const line of await folderTimes(take, address, cluster.url(folder))) console.log(line)
  } finally {
    await admin.raw('drop database ?? with (force)', [folder])
  }
  await db.raw('vacuum analyze')
  console.log('  with three years of them, each settled and written')
  console.log(
    `  … the coordinator's desk           ${percentiles(await timesOf(10, () => ask(philippa, 'GET', '/api/desk')))}`,
  )
  console.log(`  … a class's record alone           ${percentiles(await timesOf(8, () => ask(one, 'GET', place)))}`)
  console.log(`  memory of the web over this load   ${webMemory()}`)
  console.log(`  health while the worst comes in    at most ${(await healthAtWorst(one, place)).toFixed(0)} ms`)
  console.log(`  memory of the web with the worst   ${webMemory()}`)
  console.log(`  an event for one pause in typing   ${await eventSize(one, place, students[2]?.student_id ?? '')}`)
}

/** The most that the web process has held so far. */
function webMemory(): string {
  const status = readFileSync(`/proc/${web?.pid}/status`, 'utf8')
  return `at most ${Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)?.[1]) / 1024)} MB`
}

async function standing(studentId: string): Promise<string | null> {
  return (
    (await db('settled_level').where({ student_id: studentId, about: 'M1', kind: 'skill' }).first())?.symbol ?? null
  )
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
  throw new Error('The web did not start. Build first: npm start builds, or npx nuxt build.')
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

function passwordOf(person: string): string {
  const line = readFileSync('demo/school/people.csv', 'utf8')
    .split('\n')
    .find((each) => each.startsWith(`${person},`))
  return line?.split(',')[4] ?? ''
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

async function size(cookie: string, path: string): Promise<string> {
  const bytes = await ask(cookie, 'GET', path)
  const unpacked = brotliDecompressSync(bytes)
  return `${(bytes.length / 1024).toFixed(0)} kB (${(unpacked.length / 1024).toFixed(0)} kB unpacked)`
}

/** How long health takes to answer at most, in ms, while 300 MB of JSON and a file of nothing but line ends come in. */
async function healthAtWorst(cookie: string, place: string): Promise<number> {
  const megabyte = new Uint8Array(1024 * 1024).fill(32)
  let left = 300
  const endless = new ReadableStream<Uint8Array>({
    pull: (controller) => {
      if (left-- > 0) controller.enqueue(megabyte)
      else controller.close()
    },
  })
  const post = (path: string, type: string, body: BodyInit): Promise<unknown> =>
    fetch(`${address}${path}`, {
      method: 'POST',
      headers: { cookie, 'content-type': type },
      body,
      // @ts-expect-error Node wants this for a stream, and its types do not know it.
      duplex: 'half',
    }).catch(() => undefined)
  const lineEnds = new Uint8Array(19 * 1024 * 1024).fill(10)
  const work = Promise.all([
    post('/api/session', 'application/json', endless),
    post(`${place}/files?subject=art&name=x.csv`, 'application/octet-stream', lineEnds),
  ])
  return slowestHealth(address, () => work)
}

/** A composed comment is typed on in ten pauses: what its events take in the database, a pause. */
async function eventSize(cookie: string, place: string, studentId: string): Promise<string> {
  const { rows } = await db.raw<{ rows: { text: string; sentences: KeptSentence[]; version: number }[] }>(
    `select text, sentences, version from comment where student_id = ? and box = 'general' and term_id = ?`,
    [studentId, place.split('/')[4] ?? ''],
  )
  const [row] = rows
  const around = { text: row?.text ?? '', termId: place.split('/')[4] ?? '' }
  const sentences = (row?.sentences ?? []).map((sentence) => wholeSentence(sentence, around))
  let version = row?.version ?? 0
  const from = (await db('event').orderBy('id', 'desc').first('id'))?.id ?? 0
  for (let nth = 1; nth <= 10; nth += 1) {
    const body = {
      studentId,
      box: 'general',
      text: `${around.text}${'.'.repeat(nth)}`,
      sentences,
    }
    const answer = await ask(cookie, 'PUT', `${place}/comment`, {
      ...body,
      ownWords: true,
      status: 'in draft',
      version,
    })
    version = (JSON.parse(answer.toString()) as { version: number }).version
  }
  const events = await db('event').where('id', '>', from)
  const bytes = events.reduce((sum, event) => sum + JSON.stringify(event.changes).length, 0)
  return `${(bytes / 10).toFixed(0)} bytes (${events.length} event of ${bytes} bytes for ten pauses)`
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
