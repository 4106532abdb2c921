import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { Agent, request } from 'node:http'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ClassAnswer, SetupAnswer } from '../../contracts/answers'
import { unpackTerm } from '../../core/record/packedTerm'
import { openDatabase, databaseUrl } from '../../server/data/database'
import { hashPassword } from '../../server/data/people'
import { address, signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

// What comes to the door: other pages, other people's sessions, guesses, bodies of any size and shape.
let ines: Client
let place: DemoPlace
const mark = () => ({ marks: [{ studentId: place.student('Finn').id, subject: 'art', mark: null, was: null }] })

beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

describe('writes', () => {
  it.each([
    [{ 'sec-fetch-site': 'same-site' }, 403],
    [{ 'sec-fetch-site': 'cross-site' }, 403],
    [{ 'sec-fetch-site': 'none' }, 403],
    [{ origin: 'https://elsewhere.example' }, 403],
    [{ origin: 'null' }, 403],
    [{ 'content-type': 'text/plain' }, 415],
    [{ 'content-type': 'application/x-www-form-urlencoded' }, 415],
    [{ 'sec-fetch-site': 'same-origin' }, 200],
    [{ origin: address }, 200],
  ])('with %j are answered %i', async (headers, status) => {
    const body = (await ines('PUT', `${place.path}/marks`, mark(), headers)).status
    // Nothing is settled there or a mark stands: either way the door let it through or did not.
    expect(status === 200 ? [200, 409].includes(body) : body === status).toBe(true)
  })

  it('nobody signs somebody in from another page', async () => {
    const stranger = await signedInAs(null)
    const body = { name: 'marek', password: 'x' }
    expect((await stranger('POST', '/api/session', body, { 'sec-fetch-site': 'cross-site' })).status).toBe(403)
  })
})

describe('addresses', () => {
  it.each([
    ['GET', '/api/nothing-here', 404],
    ['GET', '/api', 404],
    ['POST', '/api/desk', 405],
    ['DELETE', '/api/years/x/checks', 405],
  ])('%s %s is answered %i in JSON, and not stored', async (method, path, status) => {
    const answer = await ines<{ message: string }>(method, path)
    expect([answer.status, answer.headers.get('content-type')]).toEqual([status, expect.stringMatching(/json/)])
    expect(answer.body.message).toMatch(/address/)
    expect(answer.headers.get('cache-control')).toMatch(/no-store/)
  })

  it('what is about people is never stored; the set-up is fetched once', async () => {
    expect((await ines('GET', place.path)).headers.get('cache-control')).toMatch(/no-store/)
    const first = await ines<SetupAnswer>('GET', `${place.yearPath}/setup`)
    const tag = first.headers.get('etag') ?? ''
    expect((await ines('GET', `${place.yearPath}/setup`, undefined, { 'if-none-match': tag })).status).toBe(304)
    const tobias = await signedInAs('tobias')
    expect((await tobias('GET', `${place.yearPath}/setup`, undefined, { 'if-none-match': tag })).status).toBe(200)
  })
})

describe('a specialist', () => {
  it('is sent nothing of another subject: not last term’s, not a finding, not a note, in no part of the answer', async () => {
    const tobias = await signedInAs('tobias')
    const own = (await see(ines, place.path)).record
    const words = own.comments.find((each) => each.box === 'science')?.text.slice(0, 60) ?? ''
    const finding = {
      studentId: place.student('Finn').id,
      box: 'science',
      check: 'another name',
      words: 'Quillfeather',
    }
    await ines('PUT', `${place.path}/accepted`, { ...finding, right: true })
    const { term: packed } = (await tobias<ClassAnswer>('GET', place.path)).body
    const term = unpackTerm(packed)
    const whole =
      JSON.stringify(packed) + JSON.stringify((await tobias<SetupAnswer>('GET', `${place.yearPath}/setup`)).body)
    expect(words.length).toBeGreaterThan(20)
    expect(whole).not.toContain(words)
    expect(whole).not.toContain('Quillfeather')
    const strange = own.skills.filter((skill) => skill.subject !== 'music').map((skill) => skill.id)
    const strangeNotes = own.observations.filter(({ kind, about }) => kind !== 'skill' || strange.includes(about))
    expect(strangeNotes.length).toBeGreaterThan(20)
    for (const note of strangeNotes) expect(whole).not.toContain(note.text)
    expect(term.earlier[0]?.levels.some((level) => strange.includes(level.about))).toBe(false)
    expect(term.earlier[0]?.comments.every((each) => ['general', 'music'].includes(each.box))).toBe(true)
    expect(term.earlier[0]?.comments.length).toBeGreaterThan(0)
    await ines('PUT', `${place.path}/accepted`, { ...finding, right: false })
  })

  it('is not told what stands in a box that is not the own one', async () => {
    const tobias = await signedInAs('tobias')
    const empty = { text: 'x', sentences: [], ownWords: true, status: 'in draft', version: 0 }
    const body = { ...empty, studentId: place.student('Finn').id, box: 'science' }
    const answer = await tobias('PUT', `${place.path}/comment`, body)
    expect(answer.status).toBe(403)
    expect(JSON.stringify(answer.body)).not.toMatch(/standing|Science/)
  })

  it('undoes nothing that today’s rights would refuse', async () => {
    const tobias = await signedInAs('tobias')
    const db = openDatabase(databaseUrl())
    try {
      const studentId = place.student('Finn').id
      const own = place.answer.record.marks.find((each) => each.studentId === studentId && each.subject === 'music')
      const was = own ? { percent: own.percent, special: own.special, reason: own.reason } : null
      const settle = { studentId, subject: 'music', mark: { percent: 41, special: null, reason: null }, was }
      const { event } = (await tobias<{ event: number }>('PUT', `${place.path}/marks`, { marks: [settle] })).body
      const here = { class_id: place.answer.record.classRoom.id, subject: 'music' }
      await db('teaching').where(here).update({ subject: 'reading' })
      expect((await tobias('POST', `/api/events/${event}/undo`)).status).toBe(403)
      await db('teaching')
        .where({ ...here, subject: 'reading' })
        .update({ subject: 'music' })
      expect((await tobias('POST', `/api/events/${event}/undo`)).status).toBe(200)
    } finally {
      await db.destroy()
    }
  })
})

describe('sessions', () => {
  it('end everywhere with signing out, with a new password and when an account is switched off', async () => {
    const db = openDatabase(databaseUrl())
    try {
      const ends = async (how: (one: Client) => Promise<unknown>): Promise<number[]> => {
        const [one, two] = [await signedInAs('marek'), await signedInAs('marek')]
        await how(one)
        return [(await one('GET', '/api/desk')).status, (await two('GET', '/api/desk')).status]
      }
      expect(await ends((one) => one('DELETE', '/api/session'))).toEqual([401, 401])
      const { password_hash: before } = (await db('person').where({ sign_in: 'marek' }).first()) ?? {
        password_hash: '',
      }
      const env = { ...process.env, DATABASE_URL: databaseUrl() }
      const run = () => {
        const args = ['--import', 'tsx', 'scripts/setPassword.ts', 'marek']
        execFileSync(process.execPath, args, { env, input: 'a-new-long-password\n', stdio: ['pipe', 'pipe', 'pipe'] })
        return Promise.resolve()
      }
      expect(await ends(run)).toEqual([401, 401])
      expect(before).not.toBe((await db('person').where({ sign_in: 'marek' }).first())?.password_hash)
      await db('person').where({ sign_in: 'marek' }).update({ password_hash: before })
      expect(await ends(() => db('person').where({ sign_in: 'marek' }).update({ switched_off: true }))).toEqual([
        401, 401,
      ])
      const stranger = await signedInAs(null)
      expect((await stranger('POST', '/api/session', { name: 'marek', password: 'x' })).status).toBe(403)
      await db('person').where({ sign_in: 'marek' }).update({ switched_off: false })
    } finally {
      await db.destroy()
    }
  })

  it('a password is kept by the parameters of the day, and an older one anew when it is used', async () => {
    // Source: OWASP Password Storage Cheat Sheet, scrypt N = 2^14, r = 8, p = 5 (from memory).
    expect(await hashPassword('x')).toMatch(/^\$scrypt\$n=16384,r=8,p=5\$/)
  })

  it('strangers who guess do not lock the owner out of the own device', async () => {
    const marek = await signedInAs('marek')
    const guesses = await signedInAs(null)
    for (let nth = 0; nth < 9; nth += 1)
      await guesses('POST', '/api/session', { name: 'marek', password: `guess ${nth}` })
    expect((await guesses('POST', '/api/session', { name: 'marek', password: 'last guess' })).status).toBe(429)
    // The device that marek signed in on before is known by its mark, though it has the same address.
    expect((await marek('POST', '/api/session', { name: 'marek', password: 'wrong once' })).status).toBe(403)
    const db = openDatabase(databaseUrl())
    await db.raw('delete from sign_in_attempt')
    await db.destroy()
  })
})

describe('bodies of any shape', () => {
  it('are not looked at where the writer may not see the class, nor where they are too deep to parse', async () => {
    const marek = await signedInAs('marek')
    const deep = new TextEncoder().encode('['.repeat(900_000))
    const json = { 'content-type': 'application/json' }
    for (const route of ['marks', 'photos', 'register', 'questions', 'levels', 'comment']) {
      const [theirs, own] = [marek, ines].map((who) =>
        who<{ message: string }>('PUT', `${place.path}/${route}`, deep, json),
      )
      expect([route, (await theirs)?.status, (await own)?.body.message]).toEqual([
        route,
        403,
        'This is nested too deeply.',
      ])
    }
    const rows = await marek('PUT', `${place.yearPath}/setup/rows`, deep, json)
    expect(rows.status).toBe(403)
  })

  it('leave the connection whole when they are refused: the next request on it is answered', async () => {
    const philippa = await signedInAs('philippa')
    const cookie = philippa.cookies()
    const agent = new Agent({ keepAlive: true, maxSockets: 1 })
    const ask = (method: string, path: string, body: Buffer) =>
      new Promise<{ status: number; port: number }>((done, failed) => {
        const headers = { cookie, 'content-type': 'application/octet-stream', 'content-length': body.length }
        const asked = request(`${address}${path}`, { method, agent, headers }, (answer) => {
          answer.resume().on('end', () => done({ status: answer.statusCode ?? 0, port: asked.socket?.localPort ?? 0 }))
        })
        asked.on('error', failed).end(body)
      })
    const wrong = Buffer.alloc(6 * 1024 * 1024, 'no zip at all ')
    const answers = [
      await ask('POST', `${place.yearPath}/bundle`, wrong),
      await ask('GET', '/api/desk', Buffer.alloc(0)),
      await ask('POST', `${place.path}/files?subject=art&name=x.csv`, wrong),
      await ask('GET', '/api/desk', Buffer.alloc(0)),
    ]
    expect(answers.map(({ status }) => status)).toEqual([422, 200, 403, 200])
    expect(new Set(answers.map(({ port }) => port)).size).toBe(1)
    agent.destroy()
  })

  it('a body that is said to be huge is refused before it is read, and nobody waits', async () => {
    const huge = await ines<{ message: string }>('PUT', `${place.path}/marks`, new Uint8Array(40 * 1024 * 1024), {
      'content-type': 'application/json',
    })
    expect([huge.status, huge.body.message]).toEqual([413, expect.stringMatching(/larger than 1 MB/)])
  })

  it('none of three thousand malformed bodies is answered 500', async () => {
    const bodies = malformedBodies(place, place.student('Finn').id)
    const clients = [ines, await signedInAs('philippa')]
    const asked = clients.flatMap((client) => bodies.map((body) => ({ client, ...body })))
    expect(asked.length).toBeGreaterThan(3000)
    const answeredBadly: string[] = []
    const done: { client: Client; event: number; seen: number | undefined }[] = []
    const ask = async (): Promise<void> => {
      for (let next = asked.pop(); next; next = asked.pop()) {
        const { client, method, path } = next
        const { status, body } = await client<{ event?: number; version?: number }>(method, path, next.body as object)
        if (typeof body.event === 'number') done.push({ client, event: body.event, seen: body.version })
        if (status >= 500) answeredBadly.push(`${status} ${next.path} ${JSON.stringify(next.body).slice(0, 300)}`)
      }
    }
    await Promise.all([ask(), ask(), ask(), ask()])
    expect(answeredBadly).toEqual([])
    // What was a sound request after all is taken back, the latest first.
    for (const { client, event, seen } of done.sort((a, b) => b.event - a.event)) {
      expect((await client('POST', `/api/events/${event}/undo`, { seen })).status).toBe(200)
    }
  })

  it.each(['%00', '%ff', '..%2f..', 'a'.repeat(3000), "'--", '1e999', '%F0%9F%92%A9'])(
    'no malformed address is answered 500: %s',
    async (piece) => {
      for (const path of [
        `/api/classes/${piece}/${piece}`,
        `/api/runs/${piece}`,
        `/api/events/${piece}/undo`,
        `${place.yearPath}/phrasebook/history?phrase=${piece}`,
        `/api/years/${piece}/phrasebook/history?phrase=a`,
        `${place.yearPath}/boxes/${piece}/plan`,
      ]) {
        for (const method of ['GET', 'POST', 'PUT']) expect((await ines(method, path)).status).toBeLessThan(500)
      }
    },
  )
})

/** Bodies that are each wrong in one place, at any depth: something of another kind, nothing, or one thing too many. */
function malformedBodies(
  { path: classPath, yearPath }: DemoPlace,
  id: string,
): { method: string; path: string; body: unknown }[] {
  const long = 'x'.repeat(50_000)
  const wrong = [null, true, 0, -1, 1e308, 1e15, '', '\u0000', '\ud800', long, 'NaN', id, [], {}, [[]], undefined]
  const reason = { kind: 'mark', about: 'mark', text: 'Settled', tier: 'sound', termId: 't' }
  const sentence = { start: 0, end: 1, composed: 'x', parts: ['opening'], phraseIds: ['p'], because: [reason] }
  const comment = { studentId: id, box: 'art', text: 'x', sentences: [sentence], ownWords: true, status: 'in draft' }
  const phrase = { id: 'p', box: 'art', part: 'opening', about: '', tiers: ['top'], moves: ['up'], uneven: false }
  const said = { ...phrase, tone: '', grades: ['5'], needs: [], text: 'x' }
  const somebody = { signIn: 'door', given: 'At', family: 'The Door', role: 'teacher', switchedOff: false }
  const lesson = { personId: randomUUID(), classId: randomUUID(), subject: 'art' }
  const good: [string, string, object][] = [
    ['PUT', `${classPath}/marks`, { marks: [{ studentId: id, subject: 'art', mark: { percent: 1 }, was: null }] }],
    ['PUT', `${classPath}/levels`, { levels: [{ studentId: id, kind: 'skill', about: 'A1', symbol: '3', was: '2' }] }],
    ['PUT', `${classPath}/comment`, { ...comment, version: 0 }],
    ['PUT', `${classPath}/accepted`, { studentId: id, box: 'art', check: 'x', words: 'y', right: true }],
    ['POST', `${classPath}/drafts`, { box: 'art', where: 'empty', students: [id] }],
    [
      'PUT',
      `${yearPath}/phrasebook/phrases`,
      { phrases: [{ ...said, owner: 'mine', was: said }], removed: [{ id: 'p' }] },
    ],
    ['PUT', `${yearPath}/phrasebook/describing`, { tier: 'top', words: ['good'], was: ['fine'] }],
    ['PUT', `${yearPath}/boxes/art/plan`, { plan: 'opening', was: '' }],
    ['PUT', `${yearPath}/checks`, { checks: {}, was: {} }],
    ['PUT', '/api/people', { people: [{ id: randomUUID(), person: somebody, was: somebody }] }],
    ['PUT', '/api/people/teaching', { id: randomUUID(), lesson, was: lesson }],
    ['POST', '/api/welcome/nothing', { password: 'three slow paper boats' }],
  ]
  return good.flatMap(([method, path, body]) =>
    wrongInOnePlace(body, wrong).map((each) => ({ method, path, body: each })),
  )
}

function wrongInOnePlace(value: unknown, wrong: readonly unknown[]): unknown[] {
  if (typeof value !== 'object' || value === null) return [...wrong]
  const parts = Object.entries(value).flatMap(([key, part]) =>
    wrongInOnePlace(part, wrong).map((bad): unknown =>
      Array.isArray(value) ? [bad] : { ...(value as object), [key]: bad },
    ),
  )
  return [
    ...parts,
    ...wrong,
    Array.isArray(value) ? [...(value as unknown[]), ...(value as unknown[])] : { ...value, extra: 'y' },
  ]
}
