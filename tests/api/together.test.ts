import type { Knex } from 'knex'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { signedInAs, type Answer, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

// Small saves that come at the same moment share a transaction: nobody may notice from the answers.
interface Settled {
  event: number | null
}
let db: Knex
let ines: Client
let place: DemoPlace
const skill = 'P2'

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  ines = await signedInAs('ines')
  place = await juniper(ines)
})
afterAll(() => db.destroy())

const levels = async (): Promise<Map<string, string>> =>
  new Map(
    (await see(ines, place.path)).record.levels
      .filter((each) => each.about === skill)
      .map((each) => [each.studentId, each.symbol]),
  )
const settle = (studentId: string, was: string | null, symbol: string): Promise<Answer<Settled>> =>
  ines('PUT', `${place.path}/levels`, { levels: [{ studentId, kind: 'skill', about: skill, was, symbol }] })
const other = (symbol: string | undefined): string => (symbol === '2' ? '3' : '2')

it('each has its own event and its own undo, and what is refused is refused alone', async () => {
  const before = await levels()
  const people = place.answer.record.students.map((student) => student.id).slice(0, 14)
  const [stale = '', wrong = '', ...fine] = people
  const answers = await Promise.all([
    ...fine.slice(0, 6).map((id) => settle(id, before.get(id) ?? null, other(before.get(id)))),
    settle(stale, before.get(stale) === '4' ? '1' : '4', other(before.get(stale))),
    settle(wrong, before.get(wrong) ?? null, 'no level at all'),
    ...fine.slice(6).map((id) => settle(id, before.get(id) ?? null, other(before.get(id)))),
  ])
  expect(answers.map((answer) => answer.status)).toEqual([
    ...Array<number>(6).fill(200),
    409,
    422,
    ...Array<number>(fine.length - 6).fill(200),
  ])
  const events = answers.flatMap((answer) => (answer.status === 200 ? [answer.body.event] : []))
  expect(new Set(events).size).toBe(fine.length)
  const after = await levels()
  expect(people.map((id) => after.get(id))).toEqual([
    before.get(stale),
    before.get(wrong),
    ...fine.map((id) => other(before.get(id))),
  ])
  // The third is undone: the third alone stands as it stood.
  expect((await ines('POST', `/api/events/${events[2]}/undo`)).status).toBe(200)
  const undone = await levels()
  expect(fine.map((id) => undone.get(id))).toEqual(
    fine.map((id, nth) => (nth === 2 ? before.get(id) : other(before.get(id)))),
  )
  for (const [nth, event] of events.entries()) if (nth !== 2) await ines('POST', `/api/events/${event}/undo`)
  expect(await levels()).toEqual(before)
})

it('of two for one cell that come together, one is taken and the other told what stands', async () => {
  const before = await levels()
  const people = place.answer.record.students.map((student) => student.id).slice(0, 8)
  const answers = await Promise.all(
    people.flatMap((id) => {
      const was = before.get(id) ?? null
      const [one = '', another = ''] = ['1', '2', '3', '4'].filter((symbol) => symbol !== was)
      return [settle(id, was, one), settle(id, was, another)]
    }),
  )
  for (const [nth, id] of people.entries()) {
    const pair = answers.slice(nth * 2, nth * 2 + 2)
    expect(pair.map((answer) => answer.status).sort(), id).toEqual([200, 409])
  }
  for (const { status, body } of answers) if (status === 200) await ines('POST', `/api/events/${body.event}/undo`)
  expect(await levels()).toEqual(before)
})

it.each([0, 5])('who waits for a row that is held holds nobody up (as number %i of those who come)', async (at) => {
  const before = await levels()
  const people = place.answer.record.students.map((student) => student.id).filter((id) => before.has(id))
  const held = people[at] ?? ''
  const trx = await db.transaction()
  await trx('settled_level').where({ student_id: held, about: skill }).forUpdate()
  const asked = people
    .slice(0, 10)
    .map((id) => ({ id, answer: settle(id, before.get(id) ?? null, other(before.get(id))) }))
  // The others answer while the row is still held: were they to wait, this would never end.
  const rest = await Promise.all(asked.filter(({ id }) => id !== held).map(({ answer }) => answer))
  expect(rest.map((answer) => answer.status)).toEqual(rest.map(() => 200))
  expect((await levels()).get(held)).toBe(before.get(held))
  await trx.commit()
  const waited = await asked.find(({ id }) => id === held)?.answer
  expect(waited?.status).toBe(200)
  for (const { answer } of asked) await ines('POST', `/api/events/${(await answer).body.event}/undo`)
  expect(await levels()).toEqual(before)
})
