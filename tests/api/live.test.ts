import { afterEach, beforeAll, expect, it, vi } from 'vitest'
import type { Knex } from 'knex'
import type { ClassAnswer } from '../../contracts/answers'
import type { News } from '../../contracts/live'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { serverEvents } from '../serverEvents'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// What somebody changes is told to whoever looks at the class, and may see it.
let ines: Client
let tobias: Client
let db: Knex
let place: DemoPlace
const streams: { stop: () => void }[] = []
const patience = { timeout: 20_000, interval: 20 }

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  ines = await signedInAs('ines')
  tobias = await signedInAs('tobias')
  place = await juniper(ines)
  return () => db.destroy()
})
afterEach(() => {
  for (const { stop } of streams.splice(0)) stop()
})

interface Follower {
  stop: () => void
  heard: News[]
  /** Until something was heard that this is true of. @throws after a while, with what was heard */
  until: (isIt: (news: News) => boolean) => Promise<News>
}

/** A page of somebody's that looks at the class. */
async function follow(ask: Client, since: number): Promise<Follower> {
  const accept = { accept: 'text/event-stream' }
  const answer = await ask<ReadableStream<Uint8Array>>('GET', `${place.path}/live?since=${since}`, undefined, accept)
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'text/event-stream'])
  const heard: News[] = []
  const { messages, stop } = serverEvents<News>(answer.body)
  const listen = async (): Promise<void> => {
    for await (const news of messages) heard.push(news)
  }
  listen().catch(() => undefined)
  const follower: Follower = {
    heard,
    stop,
    until: (isIt) =>
      vi.waitFor(() => {
        const found = heard.find(isIt)
        if (!found) throw new Error(`Not heard: ${JSON.stringify(heard)}`)
        return found
      }, patience),
  }
  streams.push(follower)
  return follower
}

const readAt = async (): Promise<number> => (await ines<ClassAnswer>('GET', place.path)).body.readAt
const student = (): string => place.answer.record.students[5]?.id ?? ''
async function rate(ask: Client, about: string, kind: 'skill' | 'habit' = 'skill') {
  const { record } = await see(ask, place.path)
  const list = kind === 'skill' ? record.levels : record.habitScores
  const was = list.find((each) => each.studentId === student() && each.about === about)?.symbol ?? null
  const symbol = was === '2' ? '3' : '2'
  const levels = [{ studentId: student(), kind, about, was, symbol }]
  const { body, status } = await ask<Done>('PUT', `${place.path}/levels`, { levels })
  expect(status).toBe(200)
  return { event: body.event, symbol, was }
}
const undo = (ask: Client, event: number | null) => ask('POST', `/api/events/${event}/undo`)
const level = (about: string, symbol: string | null) => (news: News) =>
  news.levels.some((each) => each.studentId === student() && each.about === about && each.symbol === symbol)

it('is told as it stands, with who did it, and the undoing of it too', async () => {
  const follower = await follow(ines, await readAt())
  const { event, symbol, was } = await rate(tobias, 'U1')
  const news = await follower.until(level('U1', symbol))
  expect(news).toMatchObject({ again: false, by: ['Tobias Renn'], marks: [], results: [] })
  await undo(tobias, event)
  await follower.until(level('U1', was))
})

it('is told to nobody who may not see it, though they look at the same class', async () => {
  const [home, specialist] = [await follow(ines, await readAt()), await follow(tobias, await readAt())]
  // What was done a moment before is told at first; from here on it is this alone.
  const before = await rate(tobias, 'U1')
  await specialist.until(level('U1', before.symbol))
  specialist.heard.length = 0
  await undo(tobias, before.event)
  const { event, symbol } = await rate(ines, 'P2')
  const theirs = await rate(tobias, 'U1')
  await home.until(level('P2', symbol))
  await specialist.until(level('U1', theirs.symbol))
  expect(specialist.heard.some(level('P2', symbol))).toBe(false)
  expect(specialist.heard.flatMap(({ by }) => by)).not.toContain('Ines Calloway')
  await undo(ines, event)
  await undo(tobias, theirs.event)
})

it('what happened while a page was away is told when it is back', async () => {
  const since = await readAt()
  const { event, symbol } = await rate(ines, 'P2')
  const follower = await follow(ines, since)
  await follower.until(level('P2', symbol))
  await undo(ines, event)
})

it('a text is told with its version, and a note only as a reason to read again', async () => {
  const follower = await follow(ines, await readAt())
  const now = (await see(ines, place.path)).record.comments.find(
    ({ box, studentId }) => box === 'art' && studentId === student(),
  )
  const empty = { studentId: student(), box: 'art', text: '', status: 'in draft', version: 0 }
  const written = { ...empty, ...now, text: `${now?.text ?? ''} Told.`, ownWords: true, sentences: [] }
  const { event } = (await ines<Done>('PUT', `${place.path}/comment`, written)).body
  const news = await follower.until(({ comments }) => comments.some(({ text }) => text === written.text))
  expect(news.comments[0]?.version).toBeGreaterThan(written.version)
  await undo(ines, event)
  const note = { date: '2026-11-20', kind: null, about: '', text: 'Heard.', mayTell: false }
  const id = crypto.randomUUID()
  const noted = await ines<Done>('PUT', `${place.path}/note`, { id, studentId: student(), note, was: null })
  await follower.until(({ again }) => again)
  expect(JSON.stringify(follower.heard)).not.toContain('Heard.')
  await undo(ines, noted.body.event)
})

it('goes on when the connection that listens is cut, and says that the class is to be read again', async () => {
  const follower = await follow(ines, await readAt())
  const first = await rate(ines, 'P2')
  await follower.until(level('P2', first.symbol))
  const listeners = `from pg_stat_activity where query = 'listen facunda_event'`
  follower.heard.length = 0
  await db.raw(`select pg_terminate_backend(pid) ${listeners}`)
  await follower.until(({ again }) => again)
  const { event, symbol } = await rate(ines, 'M1')
  await follower.until(level('M1', symbol))
  await undo(ines, event)
  await undo(ines, first.event)
})
