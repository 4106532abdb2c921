import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { NoteToWrite } from '../../contracts/notes'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { hashPassword } from '../../server/data/people'
import { demoDay } from '../../demo/demoDay'
import { signedInAs, type Client } from './client'
import { juniper, setupOf, type DemoPlace, type Done } from './school'

// What must hold of the whole school, whoever changes it and at whatever moment.
let db: Knex
let place: DemoPlace
const password = 'a boat on a slow green river'
const made: string[] = []

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  place = await juniper(await signedInAs('philippa'))
})
afterAll(async () => {
  await db('teaching').whereIn('person_id', made).delete()
  await db('observation').whereIn('written_by', made).delete()
  for (const table of ['event', 'opening'] as const) await db(table).whereIn('person_id', made).delete()
  await db('person').whereIn('id', made).delete()
  await db.destroy()
})

async function takeIn(role: 'teacher' | 'coordinator'): Promise<{ id: string; signIn: string; client: Client }> {
  const id = randomUUID()
  made.push(id)
  const named = { sign_in: id, given_name: 'Kim', family_name: 'Whole' }
  await db('person').insert({ id, ...named, password_hash: await hashPassword(password), role })
  const client = await signedInAs(null)
  await client('POST', '/api/session', { name: id, password })
  return { id, signIn: id, client }
}

describe('a school', () => {
  it('keeps a coordinator, though two take it from each other at once', async () => {
    const two = [await takeIn('coordinator'), await takeIn('coordinator')]
    await db('person').where({ sign_in: 'philippa' }).update({ role: 'teacher' })
    try {
      for (let round = 0; round < 8; round += 1) {
        const answers = await Promise.all(
          two.map(({ client }, nth) => {
            const { id, signIn } = two[1 - nth] ?? { id: '', signIn: '' }
            const was = { signIn, given: 'Kim', family: 'Whole', grades: null, switchedOff: false }
            const people = [{ id, person: { ...was, role: 'teacher' }, was: { ...was, role: 'coordinator' } }]
            return client<Done>('PUT', '/api/people', { people })
          }),
        )
        const left = await db('person').whereIn('id', made).where({ role: 'coordinator' })
        expect([left.length, answers.filter(({ status }) => status === 200).length]).toEqual([1, 1])
        const no = answers.find(({ status }) => status !== 200)
        expect(no?.status === 403 || no?.body.message.includes('needs a coordinator')).toBe(true)
        await db('person').whereIn('id', made).update({ role: 'coordinator' })
      }
    } finally {
      await db('person').where({ sign_in: 'philippa' }).update({ role: 'coordinator' })
    }
  })

  it('has one home teacher a class, and terms that do not overlap, though two say so at once', async () => {
    const philippa = await signedInAs('philippa')
    const classId = randomUUID()
    const room = await philippa<Done>('PUT', `${place.yearPath}/classes`, { id: classId, name: classId, was: null })
    const people = [await takeIn('teacher'), await takeIn('teacher')]
    const answers = await Promise.all(
      people.map(({ id: personId }) => {
        const lesson = { personId, classId, subject: null, secondReader: false, from: null, to: null }
        return philippa<Done>('PUT', '/api/people/teaching', { id: randomUUID(), lesson, was: null })
      }),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422])
    expect(answers.find(({ status }) => status === 422)?.body.message).toContain('one home teacher at a time')
    const terms = await Promise.all(
      [0, 1].map((nth) => {
        const days = { starts: '2027-02-01', ends: '2027-03-01', commentsDue: '2027-02-20', locks: '2027-02-27' }
        const term = { name: `Spring ${nth}`, ...days, progressDue: null }
        return philippa<Done>('PUT', `${place.yearPath}/terms`, { id: randomUUID(), term, was: null })
      }),
    )
    expect(terms.map(({ status }) => status).sort()).toEqual([200, 422])
    for (const { body } of [...terms, ...answers, room]) {
      if (body.event) await philippa('POST', `/api/events/${body.event}/undo`)
    }
  })

  it('has a set-up that fits together, though two change it at once, and though one of them takes it back', async () => {
    const philippa = await signedInAs('philippa')
    const { rows, write, undo } = setupOf(philippa, () => place.yearPath)
    const [art] = (await rows()).subjects
    if (!art) throw new Error('no subject')
    const dance = ['dance', 'dances'].map((key) => ({ ...art, key, name: 'Dance', position: 90 }))
    for (let round = 0; round < 4; round += 1) {
      const both = await Promise.all(dance.map((row) => write({ kind: 'subject', was: null, row })))
      expect(both.map(({ status }) => status).sort()).toEqual([200, 422])
      expect(both.find(({ status }) => status === 422)?.body.message).toContain('two subjects called Dance')
      await undo(both.find(({ status }) => status === 200)?.body.event ?? null)
    }
    const [one, other] = dance
    if (!one || !other) throw new Error('no dance')
    const first = await write({ kind: 'subject', was: null, row: one })
    const renamed = await write({ kind: 'subject', was: one, row: { ...one, name: 'Ballet' } })
    const second = await write({ kind: 'subject', was: null, row: other })
    const back = await philippa<Done>('POST', `/api/events/${renamed.body.event}/undo`)
    expect([back.status, back.body.message]).toEqual([422, expect.stringContaining('two subjects called Dance')])
    for (const { body } of [second, renamed, first]) await undo(body.event)
  })
})

describe('undoing', () => {
  it('says what it saw: words written since on another page stay', async () => {
    const ines = await signedInAs('ines')
    const studentId = place.student('Tamsin').id
    const stands = place.answer.record.comments.find((each) => each.studentId === studentId && each.box === 'reading')
    const write = (text: string, version: number) => {
      const comment = { studentId, box: 'reading', text, sentences: [], ownWords: true, status: 'in draft', version }
      return ines<{ event: number; version: number }>('PUT', `${place.path}/comment`, comment)
    }
    const undo = (event: number, seen: number | null) => ines<Done>('POST', `/api/events/${event}/undo`, { seen })
    const here = (await write('She reads.', stands?.version ?? 0)).body
    const elsewhere = (await write('She reads and reads.', here.version)).body
    expect(elsewhere.event).toBe(here.event)
    expect([(await undo(here.event, here.version)).status, (await undo(here.event, null)).status]).toEqual([409, 409])
    expect((await undo(here.event, elsewhere.version)).status).toBe(200)
  })

  it('asks who writes notes here today: a second reader who was the home teacher takes none back', async () => {
    const { id, client } = await takeIn('teacher')
    const lesson = { id: randomUUID(), person_id: id, class_id: place.answer.record.classRoom.id, subject: 'art' }
    await db('teaching').insert(lesson)
    const note: NoteToWrite['note'] = {
      ...{ date: demoDay, kind: null, about: '', text: 'Drew.' },
      symbol: null,
      mayTell: false,
    }
    const written = { id: randomUUID(), studentId: place.student('Finn').id, note, was: null }
    const { event } = (await client<Done>('PUT', `${place.path}/note`, written)).body
    await db('teaching').where({ id: lesson.id }).update({ second_reader: true })
    expect((await client('POST', `/api/events/${event}/undo`)).status).toBe(403)
    await db('teaching').where({ id: lesson.id }).update({ second_reader: false })
    expect((await client('POST', `/api/events/${event}/undo`)).status).toBe(200)
  })
})
