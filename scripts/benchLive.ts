import { performance } from 'node:perf_hooks'
import type { News } from '../contracts/live'
import { serverEvents } from '../tests/serverEvents'
import { startSchool } from './benchWeb'
import { later, percentiles, together } from './benchTimes'

/**
 * What others change, seen by a second page: fifty teachers write a level twice a second, each in the own class, and a
 * second page follows each class. How long a save takes, how long until the other page has it, and whether every one
 * was heard and stands.
 */
const teachers = 50
const writesEach = 30
const every = 500

interface Written {
  readonly cell: string
  readonly symbol: string
  readonly at: number
}

const school = await startSchool({ name: `facunda_live_${process.pid}`, classes: teachers })
try {
  const { db, rooms, term, ask, signIn, address } = school
  const cookies = await Promise.all(rooms.slice(0, teachers).map((room) => signIn(room.signIn)))
  const places = rooms.map((room) => `/api/classes/${room.id}/${term}`)
  const pupils = await Promise.all(
    rooms.map(async (room) => (await db('enrolment').where({ class_id: room.id })).map((each) => each.student_id)),
  )
  const standing = new Map(
    (await db('settled_level').where({ term_id: term, kind: 'skill', about: 'M1' })).map((row) => [
      row.student_id,
      row.symbol,
    ]),
  )
  const heard = new Map<string, number>()
  const stop = new AbortController()
  await Promise.all(
    cookies.map(async (cookie, nth) => {
      const answer = await fetch(`${address}${places[nth]}/live`, { headers: { cookie }, signal: stop.signal })
      void listen(answer.body, heard).catch(() => undefined)
    }),
  )
  await later(500)
  const written: Written[] = []
  const turns = new Map<number, number>()
  const saves = await together(
    cookies,
    writesEach,
    async (cookie, nth) => {
      const turn = turns.get(nth) ?? 0
      turns.set(nth, turn + 1)
      const studentId = pupils[nth]?.[turn % (pupils[nth]?.length ?? 1)] ?? ''
      const was = standing.get(studentId) ?? null
      const symbol = was === '2' ? '3' : '2'
      const at = performance.now()
      await ask(cookie, 'PUT', `${places[nth]}/levels`, {
        levels: [{ studentId, kind: 'skill', about: 'M1', was, symbol }],
      })
      standing.set(studentId, symbol)
      written.push({ cell: `${studentId} ${symbol}`, symbol, at })
    },
    every,
  )
  await later(1500)
  stop.abort()
  const lost = written.filter(({ cell }) => !heard.has(cell))
  const delays = written.flatMap(({ cell, at }) => {
    const when = heard.get(cell)
    return when === undefined || when < at ? [] : [when - at]
  })
  const now = new Map(
    (await db('settled_level').where({ term_id: term, kind: 'skill', about: 'M1' })).map((row) => [
      row.student_id,
      row.symbol,
    ]),
  )
  const wrong = [...standing].filter(([id, symbol]) => now.get(id) !== symbol)
  console.log(`${teachers} teachers, a level twice a second each, ${written.length} saves`)
  console.log(`  a save                             ${percentiles(saves)}`)
  console.log(`  until a second page has it         ${percentiles(delays)} (from the beginning of the save)`)
  console.log(`  not heard ${lost.length}, standing otherwise than written ${wrong.length}`)
} finally {
  await school.stop()
}

/** Notes when each cell was last heard of, with its symbol. */
async function listen(body: ReadableStream<Uint8Array> | null, heard: Map<string, number>): Promise<void> {
  if (!body) return
  for await (const { levels } of serverEvents<News>(body).messages) {
    for (const { studentId, symbol } of levels) heard.set(`${studentId} ${symbol}`, performance.now())
  }
}
