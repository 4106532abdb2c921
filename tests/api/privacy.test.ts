import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  retainedKinds,
  type Contact,
  type RetainedKind,
  type RightsAnswer,
  type StudentPrivacy,
} from '../../contracts/privacy'
import type { ListedStudent, RosterAnswer } from '../../contracts/classes'
import type { DeskAnswer, FileAnswer, PlanAnswer } from '../../contracts/answers'
import type { PeopleAnswer } from '../../contracts/people'
import { addDays } from '../../core/addDays'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { letGo } from '../../server/data/retention'
import { signedInAs, type Client } from './client'
import { daysAgo } from './daysAgo'
import { juniper, see, type DemoPlace } from './school'

// Right for the child: who leaves, changes class, has two families, asks what is kept, or is erased.
type Done = { event: number; message: string }
let db: Knex
let philippa: Client
let ines: Client
let marek: Client
let place: DemoPlace
/** Two small classes of this year: the first is Ines's, the second Marek's. */
const [from, to] = [randomUUID(), randomUUID()]
let people: Record<'ines' | 'marek' | 'tobias', string>

const put = (path: string, body: object) => philippa<Done>('PUT', path, body)
const classes = () => `${place.yearPath}/classes`
const pathOf = (room: string) => `/api/classes/${room}/${place.answer.record.term.id}`
const teach = (who: string, classId: string, more: object = {}) => {
  const lesson = { personId: who, classId, subject: null, secondReader: false, from: null, to: null, ...more }
  return put('/api/people/teaching', { id: randomUUID(), lesson, was: null })
}
const child = (usedName: string, part: Partial<ListedStudent> = {}): ListedStudent => ({
  schoolNumber: `care-${randomUUID().slice(0, 8)}`,
  legalGiven: usedName,
  usedName,
  family: 'Okonjo',
  pronouns: 'she/her',
  gradeLevel: '5',
  from: null,
  to: null,
  ...part,
})
async function takeIn(classId: string, student: ListedStudent): Promise<string> {
  const id = randomUUID()
  const { students } = (await philippa<RosterAnswer>('GET', `${classes()}/${classId}/students`)).body
  const written = { students: [{ id, student, was: null, position: students.length }] }
  expect((await put(`${classes()}/${classId}/students`, written)).status).toBe(200)
  return id
}
const namesIn = async (ask: Client, room: string) =>
  (await see(ask, pathOf(room))).record.students.map((each) => each.usedName)
const settle = (ask: Client, room: string, studentId: string, was: object | null = null) =>
  ask<Done>('PUT', `${pathOf(room)}/marks`, {
    marks: [{ studentId, subject: 'art', mark: { percent: 71, special: null, reason: null }, was }],
  })

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  ;[philippa, ines, marek] = await Promise.all([signedInAs('philippa'), signedInAs('ines'), signedInAs('marek')])
  place = await juniper(philippa)
  const staff = (await philippa<PeopleAnswer>('GET', `${place.yearPath}/people`)).body.people
  const idOf = (signIn: string) => staff.find((each) => each.signIn === signIn)?.id ?? ''
  people = { ines: idOf('ines'), marek: idOf('marek'), tobias: idOf('tobias') }
  await put(classes(), { id: from, name: 'Care one', was: null })
  await put(classes(), { id: to, name: 'Care two', was: null })
  await teach(people.ines, from)
  await teach(people.marek, to)
})

afterAll(async () => {
  const rooms = [from, to]
  const students = (await db('enrolment').whereIn('class_id', rooms)).map((each) => each.student_id)
  for (const table of ['gradebook_file', 'work', 'remembered_mapping', 'category', 'event'] as const)
    await db(table).whereIn('class_id', rooms).delete()
  for (const table of ['settled_mark', 'comment', 'contact'] as const)
    await db(table).whereIn('student_id', students).delete()
  await db('enrolment').whereIn('class_id', rooms).delete()
  await db('student').whereIn('id', students).delete()
  await db('teaching').whereIn('class_id', rooms).delete()
  await db('class_room').whereIn('id', rooms).delete()
  await db.destroy()
})

const today = () => place.answer.today
const move = (
  room: string,
  studentId: string,
  lastDay: string,
  next: string | null,
  was: { from: string | null; to: string | null } = { from: null, to: null },
) => philippa<Done>('POST', `${classes()}/${room}/moves`, { studentId, lastDay, to: next, was })

describe('a child who', () => {
  it('changes class in the middle of a term takes along what was settled, and is seen where they are', async () => {
    const id = await takeIn(from, child('Adaeze'))
    expect((await settle(ines, from, id)).status).toBe(200)
    const { event } = (await move(from, id, addDays(today(), -1), to)).body
    expect([await namesIn(ines, from), await namesIn(marek, to)]).toEqual([[], ['Adaeze']])
    expect((await see(marek, pathOf(to))).record.marks).toMatchObject([{ studentId: id, subject: 'art', percent: 71 }])
    // The class that was is neither shown the child any more nor lets anybody write about it.
    const was = { percent: 71, special: null, reason: null }
    expect((await settle(ines, from, id, was)).status).toBe(404)
    expect((await settle(marek, to, id, was)).status).toBe(200)
    expect((await philippa('POST', `/api/events/${event}/undo`)).status).toBe(200)
    expect([await namesIn(ines, from), await namesIn(marek, to)]).toEqual([['Adaeze'], []])
  })

  it('will go goes on the day, not before', async () => {
    const id = await takeIn(from, child('Bem'))
    await move(from, id, today(), to)
    expect(await namesIn(ines, from)).toContain('Bem')
    expect(await namesIn(marek, to)).not.toContain('Bem')
  })

  it('leaves the school is still told of for this term, and is in no term that comes after', async () => {
    const id = await takeIn(from, child('Chidi'))
    await move(from, id, addDays(today(), -1), null)
    expect(await namesIn(ines, from)).toContain('Chidi')
    const { starts, ends, yearId } = place.answer.record.term
    const next = { name: 'After', yearId, starts: addDays(ends, 200), ends: addDays(ends, 220) }
    const row = { name: next.name, year_id: yearId, starts: next.starts, ends: next.ends }
    const [term] = await db('term')
      .insert({ ...row, comments_due: next.ends, locks: next.ends })
      .returning('id')
    const later = await see(philippa, `/api/classes/${from}/${term?.id}`)
    await db('opening')
      .where({ term_id: term?.id ?? '' })
      .delete()
    await db('term')
      .where({ id: term?.id ?? '' })
      .delete()
    expect(later.record.students.map((each) => each.usedName)).not.toContain('Chidi')
    // Nor is somebody there who comes only later.
    await takeIn(from, child('Dayo', { from: addDays(starts, 300) }))
    expect(await namesIn(ines, from)).not.toContain('Dayo')
  })

  it('cannot leave before they came, nor go where they are', async () => {
    const stay = { from: today(), to: null }
    const id = await takeIn(from, child('Efe', stay))
    expect((await move(from, id, addDays(today(), -3), null, stay)).body.message).toContain('comes before')
    expect((await move(from, id, today(), from, stay)).body.message).toContain('is in this class already')
    expect((await move(to, id, today(), null, stay)).status).toBe(404)
    // Of two who move the same child, who saw what no longer stands moves nobody.
    const both = await Promise.all([move(from, id, today(), to, stay), move(from, id, addDays(today(), 1), null, stay)])
    expect(both.map((each) => each.status).toSorted()).toEqual([200, 409])
  })
})

describe('who sees a class', () => {
  const desk = async (ask: Client) =>
    (await ask<DeskAnswer>('GET', '/api/desk')).body.classes.find((each) => each.id === from)?.role
  it('is also a second reader, who changes nothing and sees no private note', async () => {
    await takeIn(from, child('Femi'))
    const tobias = await signedInAs('tobias')
    const { event } = (await teach(people.tobias, from, { secondReader: true })).body
    const { record, may } = await see(tobias, pathOf(from))
    expect([record.subjects.length > 1, may.subjects, may.general, may.reports]).toEqual([true, [], false, false])
    expect(await desk(tobias)).toBe('second reader of the whole class')
    await philippa('POST', `/api/events/${event}/undo`)
    expect((await tobias('GET', pathOf(from))).status).toBe(403)
  })

  it('is somebody from one day to another', async () => {
    const tobias = await signedInAs('tobias')
    const over = { from: addDays(today(), -9), to: addDays(today(), -1) }
    const tries: [object, number][] = [
      [over, 403],
      [{ from: addDays(today(), 1), to: null }, 403],
      [{ from: today(), to: today() }, 200],
    ]
    for (const [days, status] of tries) {
      const { event } = (await teach(people.tobias, from, { subject: 'art', ...days })).body
      expect((await tobias('GET', pathOf(from))).status).toBe(status)
      await philippa('POST', `/api/events/${event}/undo`)
    }
    expect((await teach(people.tobias, from, { from: today(), to: addDays(today(), -1) })).status).toBe(422)
  })

  it('is a coordinator of its grade, who sets nothing up', async () => {
    const marekRow = { signIn: 'marek', given: 'Marek', family: 'Oduya', switchedOff: false }
    const own = (await philippa<PeopleAnswer>('GET', `${place.yearPath}/people`)).body.people.find(
      (each) => each.signIn === 'marek',
    )
    const was = { ...marekRow, given: own?.given, family: own?.family, role: 'teacher', grades: null }
    const become = (grades: object) =>
      put('/api/people', { people: [{ id: people.marek, person: { ...was, role: 'coordinator', grades }, was }] })
    for (const [grades, status] of [
      [{ from: 5, to: 6 }, 200],
      [{ from: 7, to: 8 }, 403],
    ] as const) {
      const { event } = (await become(grades)).body
      expect((await marek('GET', place.path)).status).toBe(status)
      expect((await marek('GET', `${place.yearPath}/people`)).status).toBe(403)
      expect((await philippa('POST', `/api/events/${event}/undo`)).status).toBe(200)
    }
    const teacher = { ...was, grades: { from: 5, to: 5 } }
    expect((await put('/api/people', { people: [{ id: people.marek, person: teacher, was }] })).status).toBe(422)
  })

  it('is said by the rules themselves', async () => {
    const { people: columns, rows } = (await philippa<RightsAnswer>('GET', '/api/rights')).body
    const may = (what: RegExp, who: string) => {
      const row = rows.find((each) => what.test(each.what))
      return [row?.reads[columns.indexOf(who)], row?.changes[columns.indexOf(who)]]
    }
    expect(may(/^A specialist/, 'Teacher of the class')).toEqual([true, false])
    expect(may(/^A specialist/, 'Teacher of a subject in it')).toEqual([true, true])
    expect(may(/^The other subjects/, 'Teacher of a subject in it')).toEqual([false, false])
    expect(may(/^Habits/, 'Teacher of a subject in it')).toEqual([true, false])
    expect(may(/^Habits/, 'Teacher of a group out of it')).toEqual([false, false])
    expect(may(/^Notes/, 'Second reader of the class')).toEqual([false, false])
    expect(may(/^Reports/, 'Coordinator of other grades')).toEqual([false, false])
    expect(may(/set-up/, 'Coordinator of its grade')).toEqual([true, false])
  })
})

describe('a family’s data', () => {
  const aunt: Contact = {
    name: 'Ngozi O’Hara',
    relation: 'aunt',
    household: 2,
    email: 'ngozi@example.org',
    language: 'ig',
    told: true,
    position: 0,
  }
  const care = async (id: string) => (await philippa<StudentPrivacy>('GET', `/api/students/${id}/privacy`)).body

  it('has its contacts, each in their language, and says what is none', async () => {
    const id = await takeIn(from, child('Gozie'))
    const contactId = randomUUID()
    const write = (contact: Contact | null, was: Contact | null, of = contactId) =>
      put('/api/contacts', { contacts: [{ id: of, studentId: id, contact, was }] })
    const { event } = (await write(aunt, null)).body
    expect((await care(id)).contacts).toEqual([{ id: contactId, ...aunt }])
    const both = await Promise.all(['mother', 'guardian'].map((relation) => write({ ...aunt, relation }, aunt)))
    expect(both.map((each) => each.status).toSorted()).toEqual([200, 409])
    for (const wrong of [{ language: 'zz' }, { email: 'nobody' }, { household: 0 }, { name: ' ' }])
      expect((await write({ ...aunt, ...wrong }, null, randomUUID())).status).toBe(422)
    expect((await philippa('POST', `/api/events/${event}/undo`)).status).toBe(409)
  })

  it('tells who opened it, each day, and for as long as the school keeps it', async () => {
    const id = await takeIn(from, child('Hauwa'))
    const openings = async () => (await care(id)).openings.filter((each) => each.by.startsWith('Ines'))
    const before = (await openings())[0]?.times ?? 0
    await Promise.all([ines('GET', pathOf(from)), ines('GET', pathOf(from))])
    expect(await openings()).toMatchObject([{ day: today(), className: 'Care one', times: before + 2 }])
    expect((await marek('GET', pathOf(from))).status).toBe(403)
    expect((await care(id)).openings.some((each) => each.by.startsWith('Marek'))).toBe(false)
  })

  it('is let go of, kind by kind, after as many days as the school says, and no sooner', async () => {
    const rule = async () => (await philippa<RightsAnswer>('GET', '/api/rights')).body.kept
    const days = Object.fromEntries(Object.entries(await rule()).map(([thing, kept]) => [thing, kept.days]))
    expect((await put('/api/retention', { days: { ...days, events: 0 }, was: days })).status).toBe(422)
    const changed = await put('/api/retention', { days: { ...days, reports: 30 }, was: days })
    expect([changed.status, (await rule()).reports.days]).toEqual([200, 30])
    const here = { person_id: people.ines, class_id: from, term_id: place.answer.record.term.id }
    /** One of each kind, so many days ago; then whether it is there after letting go. */
    const stays = async (ago: (thing: RetainedKind) => number): Promise<RetainedKind[]> => {
      const now = await daysAgo(db, 0)
      const at = (thing: RetainedKind): Date => new Date(now.getTime() - ago(thing) * 86_400_000)
      const event = async (thing: RetainedKind) => {
        const [{ id = 0 } = {}] = await db('event')
          .insert({ ...here, kind: 'kept', changes: '[]', needs: null, undoes: null, last_at: at(thing) })
          .returning('id')
        return id
      }
      const file = async (thing: RetainedKind, event_id: number | null) => {
        const [{ id = '' } = {}] = await db('gradebook_file')
          .insert({ ...here, subject: 'art', name: 'f', bytes: Buffer.from(''), brought_at: at(thing), event_id })
          .returning('id')
        return id
      }
      const run = { ...here, state: 'finished' as const, student_ids: [], asked_at: at('reports') }
      const [{ id: runId = '' } = {}] = await db('report_run').insert(run).returning('id')
      await db('report_file').insert({ run_id: runId, name: 'f', bytes: Buffer.from('') })
      const day = at('openings').toISOString().slice(0, 10)
      await db('opening')
        .insert({ ...here, day })
        .onConflict()
        .ignore()
      const [left, taken] = [await file('filesLeft', null), await file('filesTaken', await event('openings'))]
      const old = await event('events')
      await letGo(db)
      const found: [RetainedKind, unknown][] = [
        [
          'openings',
          await db('opening')
            .where({ ...here, day })
            .first(),
        ],
        ['filesLeft', await db('gradebook_file').where({ id: left }).first()],
        ['filesTaken', await db('gradebook_file').where({ id: taken }).first()],
        ['reports', await db('report_run').where({ id: runId }).first()],
        ['events', await db('event').where({ id: old }).first()],
      ]
      await db('gradebook_file')
        .where({ ...here, name: 'f' })
        .delete()
      await db('report_file').where({ run_id: runId }).delete()
      await db('report_run').where({ id: runId }).delete()
      await db('event')
        .where({ ...here, kind: 'kept' })
        .delete()
      return found.flatMap(([thing, row]) => (row === undefined ? [] : [thing]))
    }
    const kept = { ...days, reports: 30 } as Record<RetainedKind, number>
    expect(await stays((thing) => kept[thing] + 2)).toEqual([])
    expect(await stays((thing) => kept[thing] - 2)).toEqual([...retainedKinds])
    expect((await philippa('POST', `/api/events/${changed.body.event}/undo`)).status).toBe(200)
    expect((await rule()).reports.days).toBe(days.reports)
  })

  it('goes out whole as one file, and is erased, all but the fact', async () => {
    const id = await takeIn(from, child('Ifeoma'))
    const student = (await care(id)).schoolNumber
    await put('/api/contacts', { contacts: [{ id: randomUUID(), studentId: id, contact: aunt, was: null }] })
    const settled = await settle(ines, from, id)
    const box = { studentId: id, box: 'art', text: 'Ifeoma draws.', sentences: [], ownWords: true }
    const comment = { ...box, status: 'in draft', version: 0 }
    expect((await ines('PUT', `${pathOf(from)}/comment`, comment)).status).toBe(200)
    // Named in a file's name, in the words for taking it in, and in titles of work, two of which become the same.
    const sheet = new TextEncoder().encode(`Number,Mask of Ifeoma (20),Mask of Ifeoma Okonjo (20)\n${student},12,13\n`)
    const brought = (await ines<FileAnswer>('POST', `${pathOf(from)}/files?subject=art&name=Ifeoma-Okonjo.csv`, sheet))
      .body
    const { mapping } = brought
    const { fingerprint } = (await ines<PlanAnswer>('POST', `/api/files/${brought.id}/plan`, { mapping })).body
    const taken = await ines<Done>('POST', `/api/files/${brought.id}/apply`, { mapping, fingerprint })
    expect(taken.status).toBe(200)
    const file = (await philippa<{ tables: Record<string, object[]> }>('GET', `/api/students/${id}/data`)).body
    expect(file.tables).toMatchObject({
      student: [{ used_name: 'Ifeoma' }],
      contact: [{ name: aunt.name }],
      settled_mark: [{ percent: 71 }],
      comment: [{ text: 'Ifeoma draws.' }],
      enrolment: [{ class_id: from }],
      class_room: [{ name: 'Care one' }],
    })
    expect(JSON.stringify(file.tables.event)).toContain('Ifeoma')
    const erase = (schoolNumber: string) =>
      philippa<Done>('POST', `/api/students/${id}/erase`, { reason: 'The family of IFEOMA OKONJO asked', schoolNumber })
    expect((await erase('somebody else’s')).status).toBe(422)
    expect((await care(id)).schoolNumber).toBe(student)
    expect((await erase(student)).status).toBe(200)
    expect((await philippa('GET', `/api/students/${id}/privacy`)).status).toBe(404)
    expect(await namesIn(ines, from)).not.toContain('Ifeoma')
    // Nothing is left, wherever one looks: in every column of every table.
    const { rows: tables } = await db.raw<{ rows: { name: string }[] }>(
      `select table_name as name from information_schema.tables where table_schema = current_schema()`,
    )
    for (const { name } of tables) {
      const { rows } = await db.raw<{ rows: object[] }>(
        `select 1 from ?? as kept where to_jsonb(kept)::text like any(array['%' || :id || '%', '%Ifeoma%'])`.replace(
          '??',
          `"${name}"`,
        ),
        { id },
      )
      expect([name, rows.length]).toEqual([name, 0])
    }
    const files = await db('gradebook_file').where({ class_id: from })
    expect(files.map((each) => each.bytes.length)).toEqual([0])
    expect((await ines('POST', `/api/events/${settled.body.event}/undo`)).status).not.toBe(500)
    const { erasures } = (await philippa<RightsAnswer>('GET', '/api/rights')).body
    expect(erasures[0]).toMatchObject({ reason: 'The family of a student asked' })
    await db('gradebook_file').where({ class_id: from }).delete()
  })
})
