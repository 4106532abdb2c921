import { execFileSync } from 'node:child_process'
import type { APIRequestContext } from '@playwright/test'
import { addDays } from '../../core/addDays'
import { freePort } from '../../scripts/cluster.mjs'
import { startProcesses, whenHealthy } from '../../scripts/processes.mjs'
import type { YearsAnswer } from '../../contracts/setUp'
import { databaseUrl, openDatabase } from '../../server/data/database'

/** An empty school on a database of its own beside the demo's, with a web and a press for it. */
export interface EmptySchool {
  address: string
  key: string
  stop: () => Promise<void>
}

const password = 'harbour lantern spoon'

/** Signs in as the coordinator whom setUpByAsking has made. */
export async function signInAt(request: APIRequestContext, { address }: EmptySchool): Promise<void> {
  await ask(request, 'post', `${address}/api/session`, { name: 'ada', password })
}

/** Sets a school up with one class, whose home teacher the coordinator is. */
export async function setUpByAsking(
  request: APIRequestContext,
  school: EmptySchool,
  students: readonly string[],
): Promise<void> {
  const { address, key } = school
  const today = new Date().toLocaleDateString('sv-SE')
  const [starts, ends] = [addDays(today, -60), addDays(today, 240)]
  const terms = [{ name: 'First term', starts, ends, commentsDue: ends, locks: ends }]
  await ask(request, 'post', `${address}/api/set-up`, {
    ...{ key, name: 'Heron School', place: '', beginning: 'middle', password },
    coordinator: { signIn: 'ada', given: 'Ada', family: 'Moss' },
    year: { name: 'This year', starts, ends, terms },
  })
  await signInAt(request, school)
  const { years } = (await (await request.get(`${address}/api/years`)).json()) as YearsAnswer
  const year = `${address}/api/years/${years[0]?.id}`
  const room = crypto.randomUUID()
  await ask(request, 'put', `${year}/classes`, { id: room, name: '7 Heron', was: null, subject: null })
  await ask(request, 'put', `${year}/classes/${room}/students`, {
    students: students.map((name, position) => ({
      ...{ id: crypto.randomUUID(), was: null, position },
      student: {
        ...{ schoolNumber: `${position + 1}`, legalGiven: name, usedName: name, family: 'Reed' },
        ...{ pronouns: 'they/them', gradeLevel: '7', from: null, to: null },
      },
    })),
  })
  const { people } = (await (await request.get(`${year}/people`)).json()) as { people: { id: string }[] }
  const lesson = { personId: people[0]?.id, classId: room, subject: null, secondReader: false, from: null, to: null }
  await ask(request, 'put', `${address}/api/people/teaching`, { id: crypto.randomUUID(), lesson, was: null })
}

async function ask(request: APIRequestContext, method: 'post' | 'put', url: string, data: object): Promise<void> {
  const answer = await request[method](url, { data, headers: { origin: new URL(url).origin } })
  if (!answer.ok()) throw new Error(`${url}: ${answer.status()} ${await answer.text()}`)
}

export async function startEmptySchool(): Promise<EmptySchool> {
  const port = await freePort()
  const url = new URL(databaseUrl())
  const name = `facunda_empty_${port}`
  url.pathname = `/${name}`
  const key = 'test-test-test-test'
  execFileSync(process.execPath, ['--import', 'tsx', 'scripts/prepareDatabase.ts'], {
    env: { ...process.env, DATABASE_URL: url.href },
  })
  const processes = startProcesses({
    databaseUrl: url.href,
    port,
    secret: 'empty'.repeat(8),
    quiet: true,
    setUpKey: key,
  })
  await whenHealthy(port)
  return {
    address: `http://127.0.0.1:${port}`,
    key,
    stop: async () => {
      await processes.stop()
      const admin = openDatabase(databaseUrl())
      await admin.raw('drop database if exists ?? with (force)', [name])
      await admin.destroy()
    },
  }
}
