import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { InvitationAnswer, PeopleAnswer, Staff, StaffMember, WelcomeAnswer } from '../../contracts/people'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { letGo } from '../../server/data/retention'
import { signedInAs, type Client } from './client'
import { daysAgo } from './daysAgo'
import { juniper, type DemoPlace } from './school'

let philippa: Client
let stranger: Client
let place: DemoPlace
const password = 'paper lantern on a slow boat'

beforeAll(async () => {
  philippa = await signedInAs('philippa')
  stranger = await signedInAs(null)
  place = await juniper(philippa)
})

const list = async (): Promise<PeopleAnswer> => (await philippa<PeopleAnswer>('GET', `${place.yearPath}/people`)).body
const member = async (id: string): Promise<StaffMember | undefined> =>
  (await list()).people.find((each) => each.id === id)
const staff = (signIn: string, more: Partial<Staff> = {}): Staff => ({
  signIn,
  given: 'Oda',
  family: 'Brink',
  role: 'teacher',
  grades: null,
  switchedOff: false,
  ...more,
})
const write = (id: string, person: Staff, was: Staff | null) =>
  philippa<{ event: number; message: string }>('PUT', '/api/people', { people: [{ id, person, was }] })
const invite = async (id: string): Promise<string> =>
  (await philippa<InvitationAnswer>('POST', `/api/people/${id}/invitation`)).body.path.replace('/welcome/', '')
const choose = (token: string, chosen = password) =>
  stranger<{ message: string }>('POST', `/api/welcome/${token}`, { password: chosen })
const signIn = async (name: string, chosen = password) => {
  const client = await signedInAs(null)
  return { client, status: (await client('POST', '/api/session', { name, password: chosen })).status }
}

describe('a new colleague', () => {
  it('is taken in, invited, chooses a password, is given a class, and settles a level there', async () => {
    const id = randomUUID()
    expect((await write(id, staff(' Oda.Brink '), null)).status).toBe(200)
    expect(await member(id)).toMatchObject({ signIn: 'oda.brink', entry: 'not invited', teaching: [] })
    expect((await signIn('oda.brink')).status).toBe(403)
    const token = await invite(id)
    expect((await member(id))?.entry).toBe('invited')
    expect((await stranger<WelcomeAnswer>('GET', `/api/welcome/${token}`)).body).toEqual({
      given: 'Oda',
      signIn: 'oda.brink',
      school: 'Larkhollow School',
    })
    expect((await choose(token, 'too short')).status).toBe(422)
    expect((await choose(token)).status).toBe(200)
    expect((await member(id))?.entry).toBe('has a password')
    const { client: oda } = await signIn('oda.brink')
    expect((await oda('GET', place.path)).status).toBe(403)
    const lesson = {
      personId: id,
      classId: place.answer.record.classRoom.id,
      subject: 'reading',
      secondReader: false,
      from: null,
      to: null,
    }
    const given = await philippa('PUT', '/api/people/teaching', { id: randomUUID(), lesson, was: null })
    expect(given.status).toBe(200)
    const reading = place.answer.record.skills.find((skill) => skill.subject === 'reading')
    const studentId = place.student('Finn').id
    const was = place.answer.record.levels.find((each) => each.studentId === studentId && each.about === reading?.id)
    const level = { studentId, kind: 'skill', about: reading?.id, symbol: '3', was: was?.symbol ?? null }
    const settled = await oda<{ event: number }>('PUT', `${place.path}/levels`, { levels: [level] })
    expect(settled.status).toBe(200)
    await oda('POST', `/api/events/${settled.body.event}/undo`)
    const [kept] = (await member(id))?.teaching ?? []
    const taken = { id: kept?.id, lesson: null, was: lesson }
    expect((await philippa('PUT', '/api/people/teaching', taken)).status).toBe(200)
    expect((await oda('GET', place.path)).status).toBe(403)
  })

  it('comes with others from a list, all or none, and goes with them by one undo', async () => {
    const [one, two] = [randomUUID(), randomUUID()]
    const list = (second: string) =>
      philippa<{ event: number; message: string }>('PUT', '/api/people', {
        people: [
          { id: one, person: staff('list.one'), was: null },
          { id: two, person: staff(second), was: null },
        ],
      })
    expect((await list('ines')).body.message).toContain('signs in as “ines” already')
    expect((await list('LIST.one')).body.message).toContain('would sign in as “list.one”')
    expect(await member(one)).toBeUndefined()
    const { event } = (await list('list.two')).body
    expect([(await member(one))?.signIn, (await member(two))?.signIn]).toEqual(['list.one', 'list.two'])
    expect((await philippa('POST', `/api/events/${event}/undo`)).status).toBe(200)
    expect([await member(one), await member(two)]).toEqual([undefined, undefined])
  })

  it('is undone again, and an account whose owner has chosen a password is not', async () => {
    const id = randomUUID()
    const { event } = (await write(id, staff('passing'), null)).body
    expect((await philippa('POST', `/api/events/${event}/undo`)).status).toBe(200)
    expect(await member(id)).toBeUndefined()
    const own = randomUUID()
    const made = (await write(own, staff('entering'), null)).body
    expect((await choose(await invite(own))).status).toBe(200)
    const undone = await philippa<{ message: string }>('POST', `/api/events/${made.event}/undo`)
    expect([undone.status, undone.body.message]).toEqual([409, expect.stringMatching(/has chosen a password since/)])
    expect(await member(own)).toBeTruthy()
  })
})

describe('a link', () => {
  it('is good once, for one of two who hold it, until another takes its place', async () => {
    const id = randomUUID()
    await write(id, staff('twice'), null)
    const first = await invite(id)
    const token = await invite(id)
    expect((await choose(first)).status).toBe(404)
    const both = await Promise.all([choose(token), choose(token, 'an entirely other password')])
    expect(both.map((answer) => answer.status).sort()).toEqual([200, 409])
    expect((await choose(token)).body.message).toMatch(/used/)
    expect((await stranger('GET', '/api/welcome/nothing')).status).toBe(404)
  })

  it('runs out, and says so; its token is not kept', async () => {
    const db = openDatabase(databaseUrl())
    try {
      const id = randomUUID()
      await write(id, staff('late'), null)
      const token = await invite(id)
      expect(JSON.stringify(await db('invitation'))).not.toContain(token)
      await db('invitation')
        .where({ person_id: id })
        .update({ expires: await daysAgo(db, 0.00001) })
      expect((await choose(token)).body.message).toMatch(/run out/)
      // A month after its end nothing is left of it.
      const left = async (ago: number) => {
        const link = db('invitation').where({ person_id: id })
        await link.clone().update({ expires: await daysAgo(db, ago) })
        await letGo(db)
        return (await link.clone()).length
      }
      expect([await left(29), await left(31)]).toEqual([1, 0])
    } finally {
      await db.destroy()
    }
  })

  it('sets a forgotten password anew, and whoever was signed in with the old one is not any more', async () => {
    const id = randomUUID()
    await write(id, staff('forgot'), null)
    await choose(await invite(id))
    const { client } = await signIn('forgot')
    expect((await client('GET', '/api/desk')).status).toBe(200)
    await choose(await invite(id), 'another boat, another lantern')
    expect((await client('GET', '/api/desk')).status).toBe(401)
    expect((await signIn('forgot')).status).toBe(403)
    expect((await signIn('forgot', 'another boat, another lantern')).status).toBe(200)
  })
})

describe('an account', () => {
  it('that is switched off ends at once, keeps its link from working, and is on again with its password', async () => {
    const id = randomUUID()
    await write(id, staff('resting'), null)
    await choose(await invite(id))
    const { client } = await signIn('resting')
    const token = await invite(id)
    await write(id, staff('resting', { switchedOff: true }), staff('resting'))
    expect((await client('GET', '/api/desk')).status).toBe(401)
    expect((await choose(token)).status).toBe(404)
    expect((await philippa('POST', `/api/people/${id}/invitation`)).status).toBe(422)
    await write(id, staff('resting'), staff('resting', { switchedOff: true }))
    expect((await signIn('resting')).status).toBe(200)
  })

  it('has a sign-in name of its own, is changed only as it was seen, and shows no password to anybody', async () => {
    const id = randomUUID()
    await write(id, staff('own'), null)
    expect((await write(randomUUID(), staff('OWN'), null)).body.message).toMatch(/signs in as “own” already/)
    expect((await write(id, staff('own', { family: 'New' }), staff('own', { family: 'Other' }))).status).toBe(409)
    const db = openDatabase(databaseUrl())
    try {
      const hashes = (await db('person').select('password_hash')).flatMap((row) => row.password_hash ?? [])
      const shown = JSON.stringify([await list(), await db('event').whereNull('class_id').select('changes')])
      for (const hash of hashes) expect(shown).not.toContain(hash)
    } finally {
      await db.destroy()
    }
  })

  it('of the last coordinator stays one', async () => {
    const own = (await list()).people.find((each) => each.signIn === 'philippa')
    if (!own) throw new Error('no coordinator')
    const { id, signIn: name, given, family, role, grades, switchedOff } = own
    const was = { signIn: name, given, family, role, grades, switchedOff }
    for (const after of [
      { ...was, role: 'teacher' as const },
      { ...was, switchedOff: true },
      { ...was, grades: { from: 4, to: 5 } },
    ]) {
      expect((await write(id, after, was)).body.message).toMatch(/needs a coordinator/)
    }
    // One who cannot sign in yet does not count.
    await write(randomUUID(), staff('second', { role: 'coordinator' }), null)
    expect((await write(id, { ...was, switchedOff: true }, was)).status).toBe(422)
  })
})
