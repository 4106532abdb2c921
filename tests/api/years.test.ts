import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { DeskAnswer, SetupAnswer } from '../../contracts/answers'
import type { OwnSetupAnswer } from '../../contracts/ownSetup'
import type { YearToFollow } from '../../contracts/setUp'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { addClass, addTerm, addYear } from '../../server/data/setUpSchool'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

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
  await removeYear(next.year)
  await db.destroy()
})

async function removeYear(year: string): Promise<void> {
  await db('event')
    .whereRaw('changes @> ?::jsonb', [JSON.stringify([{ key: { year_id: year } }])])
    .delete()
  for (const table of ['comment_box', 'phrase', 'describing_words', 'layout', 'habit', 'skill', 'subject'] as const)
    await db(table).where({ year_id: year }).delete()
  const rooms = db('class_room').where({ year_id: year }).select('id')
  for (const table of ['enrolment', 'category'] as const) await db(table).whereIn('class_id', rooms).delete()
  for (const table of ['scale', 'school', 'setup_version', 'class_room', 'term'] as const)
    await db(table).where({ year_id: year }).delete()
  await db('school_year').where({ id: year }).delete()
}

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

describe('a year made from another', () => {
  const ada = { name: 'Ada’s year', starts: '2040-09-01', ends: '2041-07-20' }
  const term = {
    name: 'Autumn',
    starts: '2040-09-01',
    ends: '2040-12-20',
    commentsDue: '2040-12-01',
    locks: '2040-12-22',
  }
  const early = {
    ...{ name: 'Long ago', starts: '2020-09-01', ends: '2021-07-20' },
    terms: [{ ...term, starts: '2020-09-01', ends: '2020-12-20', commentsDue: '2020-12-01', locks: '2020-12-22' }],
  }
  const make = (part: object = {}, classes: object[] = []) =>
    philippa<{ year: string; message: string }>('POST', '/api/years', {
      from: thisYear(),
      year: { ...ada, terms: [term], ...part },
      classes,
    })

  it('has the set-up to itself, and the class a grade higher; the old one stays as it was', async () => {
    const { classRoom, students } = place.answer.record
    const going = students.slice(0, 5).map((student) => student.id)
    const choice = (takes: boolean) => ({
      ...{ subject: 'science', choices: [{ studentId: going[0], takes, was: !takes }] },
    })
    expect((await philippa('PUT', `${place.path}/takers`, choice(false))).status).toBe(200)
    const made = await make({}, [{ from: classRoom.id, name: '6 Juniper', students: going }])
    const year = made.body.year
    try {
      expect(made.status).toBe(200)
      const [before, after] = [await setupIn(thisYear()), await setupIn(year)]
      expect(after).toEqual(before)
      const { classes } = (await philippa<YearToFollow>('GET', `/api/years/${year}/next`)).body
      expect(classes.map((room) => [room.name, room.students.map(({ id, gradeLevel }) => [id, gradeLevel])])).toEqual([
        ['6 Juniper', going.map((id) => [id, '6'])],
      ])
      expect((await see(philippa, place.path)).record.students.map((student) => student.gradeLevel)).toEqual(
        students.map(() => '5'),
      )
      // Who does not take a subject does not take it in the new year either; the old one has its own.
      expect((await philippa('PUT', `${place.path}/takers`, choice(true))).status).toBe(200)
      const kept = await philippa<{ tables: { subject_choice: object[] } }>('GET', `/api/students/${going[0]}/data`)
      expect(kept.body.tables.subject_choice).toEqual([
        { year_id: year, student_id: going[0], subject: 'science', takes: false },
      ])
      // What is retired in the new year goes on in the old.
      const { skills } = (await philippa<OwnSetupAnswer>('GET', `/api/years/${year}/setup/rows`)).body
      const [was] = skills
      const changes = [{ kind: 'skill', was, row: { ...was, retired: true } }]
      await philippa('PUT', `/api/years/${year}/setup/rows`, { changes })
      expect((await setupIn(year)).skills).toHaveLength(before.skills.length - 1)
      expect(await setupIn(thisYear())).toEqual(before)
    } finally {
      expect((await philippa('DELETE', `/api/years/${year}`)).status).toBe(200)
    }
    expect((await philippa('GET', `/api/years/${year}/setup`)).status).toBe(404)
    expect((await see(philippa, place.path)).record.students).toHaveLength(students.length)
  })

  it('has its groups re-formed: a child goes on in another class, a grade higher, and never in two', async () => {
    const { classes } = (await philippa<YearToFollow>('GET', `/api/years/${thisYear()}/next`)).body
    const [one, other] = classes.filter((room) => room.students.length > 0)
    if (!one || !other) throw new Error('fewer than two classes')
    const [mover = { id: '' }, ...stay] = one.students
    const [theirs = { id: '' }] = other.students
    const wanted = (twice: string[]) => [
      { from: one.id, name: 'New A', students: [...stay.map(({ id }) => id), ...twice] },
      { from: other.id, name: 'New B', students: [theirs.id, mover.id] },
    ]
    expect((await make({}, wanted([mover.id]))).body.message).toBe('A child would be in two classes.')
    const { body } = await make({}, wanted([]))
    try {
      const after = (await philippa<YearToFollow>('GET', `/api/years/${body.year}/next`)).body.classes
      expect(after.map((room) => [room.name, room.students.length])).toEqual([
        ['New A', stay.length],
        ['New B', 2],
      ])
      expect(after[1]?.students.map(({ id, gradeLevel }) => [id, gradeLevel])).toEqual([
        [theirs.id, '7'],
        [mover.id, '6'],
      ])
    } finally {
      expect((await philippa('DELETE', `/api/years/${body.year}`)).status).toBe(200)
    }
  })

  it('is taken away only while it is the last, and nothing is recorded in it', async () => {
    const take = (id: string) => philippa<{ message: string }>('DELETE', `/api/years/${id}`)
    expect((await take(thisYear())).body.message).toContain('Only the last one can be taken away')
    const mark = { student_id: place.student('Finn').id, subject: 'art', term_id: next.term }
    await db('settled_mark').insert({ ...mark, percent: 70, special: null, reason: null })
    expect((await take(next.year)).body.message).toContain('Years to come holds 1 mark. A year')
    await db('settled_mark').where(mark).delete()
    expect(await setupIn(next.year)).toBeTruthy()
  })

  it.each<[string, object, RegExp]>([
    ['a year made twice', { name: 'Years to come' }, /There is a year “Years to come” already/],
    ['a year before the last', early, /begins after the last one, Years to come, began/],
    ['one that ends before it begins', { ends: '2040-08-01' }, /ends before it begins/],
    ['one without a term', { terms: [] }, /A year needs a term/],
  ])('%s is refused', async (_, part, reason) => {
    const { status, body } = await make(part)
    expect([status, body.message]).toEqual([422, expect.stringMatching(reason)])
  })

  it('is the coordinator’s to make', async () => {
    const ines = await signedInAs('ines')
    expect((await ines('GET', '/api/years')).status).toBe(403)
  })
})
