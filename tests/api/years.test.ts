import type { Knex } from 'knex'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { DeskAnswer, SetupAnswer } from '../../contracts/answers'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { addClass, addTerm, addYear } from '../../server/services/setUpSchool'
import { signedInAs, type Client } from './client'
import { juniper, type DemoPlace } from './school'

// Two school years in one school: what belongs to one is not the other's.
let db: Knex
let philippa: Client
let place: DemoPlace
let next: { year: string; term: string; room: string }
const year = { name: 'Years to come', starts: '2035-09-01', ends: '2036-07-20' }

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  philippa = await signedInAs('philippa')
  place = await juniper(philippa)
  const yearId = await addYear(db, year, place.answer.record)
  const term = { name: 'Autumn', yearId, starts: year.starts, ends: '2035-12-20', commentsDue: '2035-12-01' }
  const { classId } = await addClass(db, { yearId, name: '5 Juniper' }, [], [])
  next = { year: yearId, term: await addTerm(db, { ...term, locks: '2035-12-10' }), room: classId }
})

afterAll(async () => {
  await db('event')
    .whereRaw('changes @> ?::jsonb', [JSON.stringify([{ key: { year_id: next.year } }])])
    .delete()
  for (const table of ['comment_box', 'phrase', 'describing_words', 'layout', 'habit', 'skill', 'subject'] as const)
    await db(table).where({ year_id: next.year }).delete()
  for (const table of ['scale', 'school', 'setup_version', 'class_room', 'term'] as const)
    await db(table).where({ year_id: next.year }).delete()
  await db('school_year').where({ id: next.year }).delete()
  await db.destroy()
})

const setupIn = async (id: string) => (await philippa<SetupAnswer>('GET', `/api/years/${id}/setup`)).body.setup
const thisYear = () => place.answer.record.term.yearId

it('a change of the school’s own in one year leaves the other as it was, and its undo too', async () => {
  const [phrase] = place.answer.record.phrasebook.phrases
  if (!phrase) throw new Error('no phrase')
  const { owner: _owner, ...was } = phrase
  const changed = { ...was, text: '{Name} {has} come to a new year.', owner: 'school', was }
  const path = `/api/years/${next.year}/phrasebook/phrases`
  const { event } = (await philippa<{ event: number }>('PUT', path, { phrases: [changed], removed: [] })).body
  const textIn = async (id: string) =>
    (await setupIn(id)).phrasebook.phrases.find((each) => each.id === phrase.id)?.text
  expect([await textIn(next.year), await textIn(thisYear())]).toEqual([changed.text, phrase.text])
  expect((await philippa('POST', `/api/events/${event}/undo`)).status).toBe(200)
  expect([await textIn(next.year), await textIn(thisYear())]).toEqual([phrase.text, phrase.text])
})

it('a class is looked at in a term of its own year only', async () => {
  const statuses = await Promise.all(
    [
      `/api/classes/${place.answer.record.classRoom.id}/${next.term}`,
      `/api/classes/${next.room}/${place.answer.record.term.id}`,
      `/api/classes/${next.room}/${next.term}`,
    ].map(async (path) => (await philippa('GET', path)).status),
  )
  expect(statuses).toEqual([404, 404, 200])
})

it('the desk shows the year of today, with a class of the same name once', async () => {
  const desk = (await philippa<DeskAnswer>('GET', '/api/desk')).body
  expect(desk.terms.every((term) => term.yearId === thisYear())).toBe(true)
  expect(desk.classes.filter((each) => each.name === '5 Juniper')).toHaveLength(1)
})

it('a year that is none is said so', async () => {
  expect((await philippa('GET', `/api/years/${next.term}/setup`)).status).toBe(404)
})
