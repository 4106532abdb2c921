import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { ClassAnswer, DeskAnswer, RunAnswer } from '../../contracts/answers'
import { demoDay } from '../../demo/demoDay'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { setLockAside } from '../../server/data/lockSetAside'
import { hashPassword } from '../../server/data/people'
import { apiRoutes } from '../../scripts/apiRoutes.mjs'
import { serverEvents } from '../serverEvents'
import { signedInAs, type Client } from './client'
import { juniper, type DemoPlace } from './school'
import { textIn } from './textIn'

// Who is told what of a child, held against a table that was written by hand. Of two children, one in grade 5 and one
// in grade 6 who are taught music together, every kind of thing is marked with a word of its own; then everybody asks
// for everything that can be asked of a class, and every word of every answer is looked through.

/** Whose thing it is and what: "rosa note". */
const mark = (child: string, what: string): string => `<${child} ${what}>`
/** The days in the register and the sums of attendance are told apart by what no other child has. */
const days = { rosa: 363, imani: 364 } as const
const marksIn = (answer: unknown): string[] => {
  const text = JSON.stringify(answer ?? null)
  const found = [...text.matchAll(/<((?:rosa|imani) [^>]+)>/g)].map(([, what = '']) => what)
  for (const [name, open] of Object.entries(days)) {
    if (text.includes(`"daysOpen":${open},`)) found.push(`${name} attendance`)
    if (text.includes(`"${children.get(name)}","day":"${demoDay}","presence":"late"`)) found.push(`${name} register`)
  }
  return found
}

const ofMusic = [
  'music mark',
  'music level',
  'music comment',
  'music note',
  'music mark before',
  'music comment before',
]
const strings = ['strings result']
const ofArt = ['art mark', 'art level', 'art comment', 'art note']
const ofGeneral = ['general comment', 'habit', 'attendance', 'practice', 'general comment before', 'register']
const ofNotes = ['note', 'habit note']
const of = (child: string, ...kinds: string[][]): string[] => kinds.flat().map((kind) => `${child} ${kind}`)

/** By hand: who, looking at which class, is told what. What is not here is told nobody. */
const told: readonly [who: string, room: string, what: string[] | 'refused'][] = [
  ['group', 'River strings', [...of('rosa', ofMusic, strings), ...of('imani', ofMusic, strings)]],
  ['group', '5 Juniper', 'refused'],
  ['group', '6 Rowan', 'refused'],
  ['group reader', 'River strings', [...of('rosa', ofMusic, strings), ...of('imani', ofMusic, strings)]],
  ['grade 6', 'River strings', of('imani', ofMusic, strings)],
  ['grade 6', '6 Rowan', of('imani', ofMusic, ofArt, ofGeneral, ofNotes)],
  ['grade 6', '5 Juniper', 'refused'],
  ['philippa', 'River strings', [...of('rosa', ofMusic, strings), ...of('imani', ofMusic, strings)]],
  ['philippa', '5 Juniper', of('rosa', ofMusic, ofArt, ofGeneral, ofNotes, ['art result'])],
  ['ines', '5 Juniper', of('rosa', ofMusic, ofArt, ofGeneral, ofNotes, ['art result'])],
  ['ines', 'River strings', 'refused'],
  ['marek', '6 Rowan', of('imani', ofMusic, ofArt, ofGeneral, ofNotes)],
  ['marek', '5 Juniper', 'refused'],
  ['class reader', '5 Juniper', of('rosa', ofMusic, ofArt, ofGeneral, ['art result'])],
  ['tobias', '5 Juniper', of('rosa', ofMusic, ofGeneral)],
  ['music reader', '5 Juniper', of('rosa', ofMusic, ofGeneral)],
]

/** By hand: every key of a class's record, and whether a group has anything under it at all. */
const inGroup: Readonly<Record<string, 'of the subject' | 'of the child' | 'nothing'>> = {
  ...{ term: 'of the subject', classRoom: 'of the subject', teachers: 'of the subject', categories: 'of the subject' },
  ...{ work: 'of the subject', results: 'of the subject', questions: 'of the subject', answers: 'of the subject' },
  ...{ marks: 'of the subject', levels: 'of the subject', comments: 'of the subject', accepted: 'of the subject' },
  ...{ unseen: 'of the subject', observations: 'of the subject', earlier: 'of the subject', groups: 'of the subject' },
  ...{ students: 'of the child', namesInYear: 'of the child' },
  ...{ habitScores: 'nothing', attendance: 'nothing', practice: 'nothing' },
}

/** Routes of a class that only read, each with what it is asked; what a new one tells has to be asked here. */
const asked: Readonly<Record<string, (child: string) => string[]>> = {
  '': () => [''],
  '/register': () => [''],
  '/sign-offs': () => [''],
  '/runs': () => [''],
  '/steps': () => [''],
  '/categories': () => ['?subject=music', '?subject=art'],
  '/history': (child) =>
    ['mark music', 'mark art', 'skill U1', 'skill A1', 'habit keeping-going', 'comment general', 'comment art'].map(
      (about) => `?of=${about.replace(' ', '&about=')}&student=${child}`,
    ),
  '/photos/:student': () => [],
  '/live': () => [],
}

/**
 * By hand: which children anything is said of by all routes that are about no class, and whose recorded things. Who
 * teaches a child has it in the list of the own children; the coordinator has what is kept of each.
 */
const saidElsewhere: readonly [who: string, named: string[], told: 'all' | 'nothing'][] = [
  ['philippa', ['rosa', 'imani'], 'all'],
  ['group', ['rosa', 'imani'], 'nothing'],
  ['group reader', [], 'nothing'],
  ['grade 6', [], 'nothing'],
  // Science in 6 Rowan is hers.
  ['ines', ['rosa', 'imani'], 'nothing'],
  ['marek', ['imani'], 'nothing'],
  ['class reader', [], 'nothing'],
  ['tobias', ['rosa', 'imani'], 'nothing'],
  ['music reader', [], 'nothing'],
]

/** Who may have the pages that the class's teacher makes of Rosa: by hand. */
const runsOfRosa = ['ines', 'philippa']

let db: Knex
let home: DemoPlace
let term: string
let before: string
const clients = new Map<string, Client>()
const rooms = new Map<string, string>()
const children = new Map<string, string>()
/** What stood before, to be put back. */
const stood = new Map<string, Record<string, unknown>[]>()
const people: string[] = []
let lastEvent: number
let ofRosa: string
const work = randomUUID()
const ofChildren = [
  'settled_mark',
  'settled_level',
  'comment',
  'attendance',
  'practice',
  'observation',
  'result',
] as const

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  lastEvent = (await db('event').max('id as last').first<{ last: number }>()).last
  for (const name of ['ines', 'marek', 'tobias', 'philippa']) clients.set(name, await signedInAs(name))
  const philippa = clients.get('philippa') as Client
  home = await juniper(philippa)
  term = home.answer.record.term.id
  before = home.lastTermPath.split('/')[4] ?? ''
  for (const { id, name } of (await philippa<DeskAnswer>('GET', '/api/desk')).body.classes) rooms.set(name, id)
  const { students } = (await juniper(philippa, 'River strings')).answer.record
  for (const name of ['Rosa', 'Imani']) {
    children.set(name.toLowerCase(), students.find(({ usedName }) => usedName === name)?.id ?? '')
  }
  await takeIn('group', { room: 'River strings', subject: 'music' })
  await takeIn('group reader', { room: 'River strings', subject: 'music', secondReader: true })
  await takeIn('class reader', { room: '5 Juniper', subject: null, secondReader: true })
  await takeIn('music reader', { room: '5 Juniper', subject: 'music', secondReader: true })
  await takeIn('grade 6', { grades: { from: 6, to: 6 } })
  await db.transaction(async (trx) => {
    await setLockAside(trx)
    for (const table of ofChildren) stood.set(table, await rowsOf(trx, table))
    const strings = { id: work, class_id: rooms.get('River strings') ?? '', subject: 'music', term_id: term }
    await trx('work').insert({
      ...{
        ...strings,
        title: 'A song in strings',
        category: 'songs',
        done_on: demoDay,
        out_of: 10,
        weight: 1,
        counts: true,
      },
    })
    for (const [name, id] of children) await plant(trx, name, id)
  })
  const made = await (clients.get('ines') as Client)<RunAnswer>('POST', `${home.path}/runs`, {
    students: [children.get('rosa')],
  })
  ofRosa = made.body.id
})

afterAll(async () => {
  await db.transaction(async (trx) => {
    await setLockAside(trx)
    for (const table of ofChildren)
      await trx(table as 'comment')
        .whereIn('student_id', [...children.values()])
        .delete()
    for (const table of ofChildren) {
      const rows = (stood.get(table) ?? []).map((row) =>
        'sentences' in row ? { ...row, sentences: JSON.stringify(row.sentences) } : row,
      )
      if (rows.length > 0) await trx(table as 'comment').insert(rows as never)
    }
    await trx('work').where({ id: work }).delete()
    await trx('register_day')
      .whereIn('student_id', [...children.values()])
      .delete()
    await trx('teaching').whereIn('person_id', people).delete()
    await trx('opening').whereIn('person_id', people).delete()
    await trx('event').where('id', '>', lastEvent).delete()
    await trx('person').whereIn('id', people).delete()
  })
  await db.destroy()
})

const rowsOf = (trx: Knex.Transaction, table: (typeof ofChildren)[number]): Promise<Record<string, unknown>[]> =>
  trx(table as 'comment').whereIn('student_id', [...children.values()])

/** Somebody who is nothing else in this school. */
async function takeIn(
  name: string,
  does: { room?: string; subject?: string | null; secondReader?: boolean; grades?: { from: number; to: number } },
): Promise<void> {
  const id = randomUUID()
  const [signIn, password] = [`${name} ${id}`, 'a boat on a slow green river']
  people.push(id)
  await db('person').insert({
    ...{ id, sign_in: signIn, password_hash: await hashPassword(password), given_name: name, family_name: '' },
    role: does.grades ? 'coordinator' : 'teacher',
    ...(does.grades && { grade_from: does.grades.from, grade_to: does.grades.to }),
  })
  if (does.room !== undefined) {
    await db('teaching').insert({
      ...{ id: randomUUID(), person_id: id, class_id: rooms.get(does.room) ?? '' },
      ...{ subject: does.subject ?? null, second_reader: does.secondReader ?? false },
    })
  }
  const client = await signedInAs(null)
  expect((await client('POST', '/api/session', { name: signIn, password })).status).toBe(200)
  clients.set(name, client)
}

/** Marks every kind of thing that can be known of a child. */
async function plant(trx: Knex.Transaction, name: string, student_id: string): Promise<void> {
  const say = (what: string): string => mark(name, what)
  const put = async (table: (typeof ofChildren)[number], key: object, values: object): Promise<void> => {
    await trx(table as 'comment')
      .where(key)
      .delete()
    await trx(table as 'comment').insert({ ...key, ...values } as never)
  }
  for (const subject of ['music', 'art']) {
    await put('settled_mark', { student_id, subject, term_id: term }, { percent: 50, reason: say(`${subject} mark`) })
    const about = subject === 'music' ? 'U1' : 'A1'
    const level = { student_id, kind: 'skill', about, term_id: term }
    await put('settled_level', level, { symbol: say(`${subject} level`) })
    const note = { student_id, term_id: term, about_kind: 'skill', about }
    await put('observation', note, { day: demoDay, text: say(`${subject} note`), may_tell: true })
  }
  await put(
    'settled_level',
    { student_id, kind: 'habit', about: 'keeping-going', term_id: term },
    { symbol: say('habit') },
  )
  for (const [about_kind, about, what] of [
    [null, '', 'note'] as const,
    ['habit', 'keeping-going', 'habit note'] as const,
  ])
    await put(
      'observation',
      { student_id, term_id: term, about_kind, about },
      { day: demoDay, text: say(what), may_tell: true },
    )
  const written = { sentences: '[]', own_words: true, status: 'in draft', version: 1 }
  for (const [box, term_id, what] of [
    ['general', term, 'general comment'],
    ['music', term, 'music comment'],
    ['art', term, 'art comment'],
    ['general', before, 'general comment before'],
    ['music', before, 'music comment before'],
  ] as const)
    await put('comment', { student_id, box, term_id }, { ...written, text: say(what) })
  await put(
    'settled_mark',
    { student_id, subject: 'music', term_id: before },
    { percent: 50, reason: say('music mark before') },
  )
  const practice = { student_id, term_id: term, program: say('practice'), kind: 'minutes', name: demoDay }
  await put('practice', practice, { amount: 30 })
  await put(
    'attendance',
    { student_id, term_id: term },
    { days_open: days[name as keyof typeof days], absences: 0, lates: 0 },
  )
  await trx('register_day').insert({ student_id, day: demoDay, presence: 'late' }).onConflict().ignore()
  await put('result', { work_id: work, student_id }, { state: 'late', remark: say('strings result') })
  const { id = '' } = (await trx('work').where({ term_id: term, subject: 'art' }).first('id')) ?? {}
  if (name === 'rosa') await put('result', { work_id: id, student_id }, { state: 'late', remark: say('art result') })
}

it('asks every route of a class that there is on the disk', () => {
  const routes = apiRoutes().flatMap(({ method, path }) =>
    method === 'GET' && path.startsWith('/api/classes/:class/:term')
      ? [path.slice('/api/classes/:class/:term'.length)]
      : [],
  )
  expect(routes.sort()).toEqual(Object.keys(asked).sort())
})

it.each(told)('%s is told of %s what the table says, and no more', async (who, room, expected) => {
  const client = clients.get(who) as Client
  const path = `/api/classes/${rooms.get(room)}/${term}`
  const found = new Set<string>()
  for (const [route, queries] of Object.entries(asked)) {
    for (const query of [...children.values()].flatMap(queries)) {
      const { status, body } = await client<object>('GET', `${path}${route}${query}`)
      if (expected === 'refused') expect(`${route} ${status}`).toBe(`${route} 403`)
      for (const each of marksIn(body)) found.add(each)
    }
  }
  expect([...found].sort()).toEqual(expected === 'refused' ? [] : [...expected].sort())
})

it.each(saidElsewhere)('%s is told of %j elsewhere, and of what is recorded %s', async (who, named, marked) => {
  const client = clients.get(who) as Client
  const said = { children: new Set<string>(), marks: new Set<string>() }
  for (const path of elsewhere()) {
    const { body } = await client<object>('GET', path)
    const text = body instanceof Uint8Array ? textIn(body) : JSON.stringify(body)
    for (const [name, id] of children) if (text.includes(id)) said.children.add(name)
    for (const each of marksIn(text)) said.marks.add(each)
  }
  expect([...said.children].sort()).toEqual([...named].sort())
  expect([...said.marks].sort()).toEqual(marked === 'nothing' ? [] : everyMark())
  for (const path of ['', '/pdf']) {
    const { status } = await client('GET', `/api/runs/${ofRosa}${path}`)
    expect([path, status === 403]).toEqual([path, !runsOfRosa.includes(who)])
  }
})

/** All that was marked, of both; days are written in other ways there. */
function everyMark(): string[] {
  const both = ['rosa', 'imani'].flatMap((child) => of(child, ofMusic, strings, ofArt, ofGeneral, ofNotes))
  return [...both, 'rosa art result'].filter((each) => !/ (attendance|register)$/.test(each)).sort()
}

/** What can be asked that is about no class in a term: of both children, both of their classes and Rosa's pages. */
function elsewhere(): string[] {
  const year = home.answer.record.term.yearId
  const others = apiRoutes().filter(
    ({ method, path }) => method === 'GET' && !path.startsWith('/api/classes/') && !path.includes(':token'),
  )
  return others.flatMap(({ path }) => {
    const one = path.replace(':year', year).replace(':term', term).replace(':run', ofRosa)
    const ofClasses = one.includes(':class')
      ? ['5 Juniper', '6 Rowan'].map((name) => one.replace(':class', rooms.get(name) ?? ''))
      : [one]
    return ofClasses.flatMap((each) => [...children.values()].map((child) => each.replace(':student', child)))
  })
}

it('has every key of a record in the table, and nothing in a group of what belongs to the class as a whole', async () => {
  const group = clients.get('group') as Client
  const { body } = await group<ClassAnswer>('GET', `/api/classes/${rooms.get('River strings')}/${term}`)
  expect(Object.keys(body.term).sort()).toEqual(Object.keys(inGroup).sort())
  const nothing = Object.entries(body.term).filter(([key]) => inGroup[key] === 'nothing')
  for (const [key, value] of nothing) expect([key, value]).toEqual([key, []])
  expect(body.term.earlier.flatMap(({ habitScores }) => habitScores)).toEqual([])
})

it('tells a group’s teacher nothing of it as it happens, either', async () => {
  const [ines, tobias] = [clients.get('ines') as Client, clients.get('tobias') as Client]
  const studentId = children.get('rosa') ?? ''
  const accept = { accept: 'text/event-stream' }
  const streams = await Promise.all(
    ['group', 'grade 6'].map(async (who) => {
      const path = `/api/classes/${rooms.get('River strings')}/${term}/live?since=${Date.now() + 60_000}`
      const { body } = await (clients.get(who) as Client)<ReadableStream<Uint8Array>>('GET', path, undefined, accept)
      return { who, ...serverEvents<object>(body) }
    }),
  )
  const put = async (path: string, body: object): Promise<void> => {
    expect([path, (await ines('PUT', `${home.path}/${path}`, body)).status]).toEqual([path, 200])
  }
  const sums = (absences: number) => ({ daysOpen: days.rosa, absences, lates: 0 })
  await put('comment', {
    ...{ studentId, box: 'general', text: mark('rosa', 'new comment'), sentences: [], ownWords: true },
    ...{ status: 'in draft', version: 1 },
  })
  await put('cells', { attendance: [{ studentId, days: sums(1), was: sums(0) }] })
  await put('register', { days: [{ studentId, day: demoDay, presence: 'absent', was: 'late' }] })
  // Imani's is told to both; by then all that came before it would have been.
  for (const studentId of children.values()) {
    const key = { student_id: studentId, term_id: term, about: 'U2' }
    const was = (await db('settled_level').where(key).first('symbol'))?.symbol ?? null
    const levels = [{ studentId, kind: 'skill', about: 'U2', symbol: was === '2' ? '3' : '2', was }]
    const path = `/api/classes/${rooms.get('River strings')}/${term}/levels`
    expect((await tobias('PUT', path, { levels })).status).toBe(200)
  }
  for (const { who, messages, stop } of streams) {
    const heard: object[] = []
    for await (const news of messages) {
      heard.push(news)
      if (JSON.stringify(news).includes(children.get('imani') ?? '')) break
    }
    stop()
    expect([who, marksIn(heard), JSON.stringify(heard).includes('Ines')]).toEqual([who, [], false])
    expect([who, JSON.stringify(heard).includes(studentId)]).toEqual([who, who === 'group'])
  }
})
