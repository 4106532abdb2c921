import { readFileSync, statSync } from 'node:fs'
import { brotliDecompressSync } from 'node:zlib'
import { wholeSentence, type KeptSentence } from '../core/narrative/keptSentence'
import { fillYear } from './benchGrow'
import { burstTimes } from './benchBurst'
import { folderTimes } from './benchFolder'
import { percentiles, slowestHealth, timesOf, together } from './benchTimes'
import { startSchool } from './benchWeb'
import { yearTimes } from './benchYear'

/**
 * What a school of 48 classes and 40 teachers at once costs: a school that is made for it in a database of its own, on
 * Facunda's own cluster, and removed. Queries are counted in PostgreSQL's own log.
 */
const classes = 48
const users = 40
const savesEach = 15
const recordsEach = 4

const school = await startSchool({ name: `facunda_bench_${process.pid}`, classes })
const { db, admin, cluster, name, address, log, ask, restartWeb, signIn } = school
try {
  const { rooms, term } = school
  const teachers = await Promise.all(rooms.slice(0, users).map((room) => signIn(room.signIn)))
  const places = rooms.map((room) => `/api/classes/${room.id}/${term}`)
  await report(teachers, places)
} finally {
  await school.stop()
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
  for (const line of await burstTimes({ address, cookie: one, path: place })) console.log(line)
  console.log(`  memory of the web over this load   ${webMemory()}`)
  console.log(`  health while the worst comes in    at most ${(await healthAtWorst(one, place)).toFixed(0)} ms`)
  console.log(`  memory of the web with the worst   ${webMemory()}`)
  console.log(`  an event for one pause in typing   ${await eventSize(one, place, students[2]?.student_id ?? '')}`)
}

/** The most that the web process has held so far. */
function webMemory(): string {
  const status = readFileSync(`/proc/${school.webPid()}/status`, 'utf8')
  return `at most ${Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)?.[1]) / 1024)} MB`
}

async function standing(studentId: string): Promise<string | null> {
  return (
    (await db('settled_level').where({ student_id: studentId, about: 'M1', kind: 'skill' }).first())?.symbol ?? null
  )
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
