import { Readable } from 'node:stream'
import { strToU8, zipSync } from 'fflate'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DeskAnswer } from '../../contracts/answers'
import type { BundleLook } from '../../contracts/bundle'
import { readScore } from '../../core/exchange/gradebook/readScore'
import { readSheets } from '../../core/exchange/files/readSheets'
import { demoDay } from '../../demo/demoDay'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { askerOf } from '../../server/data/people'
import { takeBundle } from '../../server/services/bundle'
import { packed, yearOfTwo, type Files } from './bundles'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// A whole OneRoster bundle into a school year (the standard's headings are from memory: core/exchange/oneroster).

let philippa: Client
let place: DemoPlace
beforeAll(async () => {
  philippa = await signedInAs('philippa')
  place = await juniper(philippa)
})

const bring = (bundle: Uint8Array, take: 'yes' | 'no', who = philippa) =>
  who<BundleLook & Done>('POST', `${place.yearPath}/bundle?take=${take}`, bundle)
const undo = async (event: number | null) => (await philippa('POST', `/api/events/${event}/undo`)).status

const smallYear = (room: string): Files => yearOfTwo(place.answer.record.term.name, room)
async function seen(room: string) {
  const desk = (await philippa<DeskAnswer>('GET', '/api/desk')).body
  const found = desk.classes.find((each) => each.name === room)
  return (
    found && {
      path: `/api/classes/${found.id}/${desk.term.id}`,
      ...(await see(philippa, `/api/classes/${found.id}/${desk.term.id}`)),
    }
  )
}

describe('a OneRoster bundle', () => {
  it('leaves out what may not be typed either, and says so', async () => {
    const small = smallYear('7 Bound')
    const [user, other] = small.users ?? []
    const [work, next] = small.lineItems ?? []
    const long = 'x'.repeat(201)
    const bundle = packed({
      ...small,
      users: [{ ...user, givenName: long }, { ...other }],
      lineItems: [
        { ...work, title: long },
        { ...next, resultValueMax: 0 },
        { ...next, sourcedId: 'w3', resultValueMax: 1e9 },
        { ...next, sourcedId: 'w4', dueDate: '2926-11-03', title: 'Far' },
      ],
      results: [],
    })
    const { body } = await bring(bundle, 'no')
    expect(body.leftOut.sort()).toEqual([
      expect.stringMatching(/^1 child with a name or number longer than is kept: x+/),
      '1 piece of work on a day of another time: Far.',
      expect.stringMatching(/^1 piece of work with a title of more than 200 characters: x+/),
      '2 pieces of work out of what nobody can reach: Tides, Tides.',
    ])
    expect(body.brings).toContainEqual(expect.stringMatching(/^0 new pieces of work/))
  })

  it('is looked at without a trace, taken in, nothing new the second time, and taken back as one', async () => {
    const bundle = packed(smallYear('7 Alder'))
    const look = await bring(bundle, 'no')
    expect([look.status, look.body.isNew, look.body.event, look.body.leftOut]).toEqual([200, true, null, []])
    expect(look.body.brings).toEqual([
      '2 new children, 0 known',
      '1 new class: 7 Alder',
      '2 places in classes',
      '2 new pieces of work, 0 changed, 0 as they are',
      '3 new results, 0 changed, 0 as they are',
    ])
    expect(await seen('7 Alder')).toBeUndefined()

    const taken = await bring(bundle, 'yes')
    expect(taken.body.brings).toEqual(look.body.brings)
    const room = await seen('7 Alder')
    expect(room?.record.students.map(({ legalGiven, family, gradeLevel }) => [legalGiven, family, gradeLevel])).toEqual(
      [
        ['Orla', 'O"Neill, senior', '7'],
        ['Dov', 'כהן', '7'],
      ],
    )
    expect(room?.record.work.map(({ title, outOf, date, subject }) => [title, outOf, date, subject])).toEqual([
      ['Tides', 20, '2026-11-03', 'mathematics'],
      ['Tides (2)', 10, '2026-11-10', 'mathematics'],
    ])
    expect(room?.record.results.map(({ state, score, remark }) => [state, score, remark]).sort()).toEqual([
      ['excused', null, ''],
      ['late', 9, ''],
      ['scored', 17.5, 'Said "why?"'],
    ])
    expect(room?.record.categories.map(({ name, weight }) => [name, weight])).toEqual([['Quizzes', 40]])

    const again = await bring(bundle, 'yes')
    expect([again.body.isNew, again.body.event, again.body.brings.at(-1), again.body.leftOut]).toEqual([
      false,
      null,
      '0 new results, 0 changed, 3 as they are',
      [],
    ])

    const changed = smallYear('7 Alder')
    changed.results = changed.results?.map((row) => (row.sourcedId === 'r1' ? { ...row, score: 18 } : row)) ?? []
    const second = await bring(packed(changed), 'yes')
    expect(second.body.brings.at(-1)).toBe('0 new results, 1 changed, 2 as they are')
    // What came later rests on the first: it goes first.
    expect(await undo(taken.body.event)).toBe(409)
    expect(await undo(second.body.event)).toBe(200)
    expect((await seen('7 Alder'))?.record.results.some(({ score }) => score === 17.5)).toBe(true)
    expect(await undo(taken.body.event)).toBe(200)
    expect(await seen('7 Alder')).toBeUndefined()
    expect(await undo(taken.body.event)).toBe(409)
  })

  it('tells what dangles, stands twice or is no score, and takes the rest', async () => {
    const files = smallYear('7 Beech')
    const result = (sourcedId: string, more: object) => ({
      sourcedId,
      lineItemSourcedId: 'w1',
      studentSourcedId: 'u1',
      scoreStatus: 'fully graded',
      score: 5,
      ...more,
    })
    files.results = [
      result('a', {}),
      result('b', { score: 7 }),
      result('c', { lineItemSourcedId: 'nowhere' }),
      result('d', { studentSourcedId: 'nobody' }),
      result('e', { studentSourcedId: 'u2', score: 'seven' }),
      result('f', { studentSourcedId: 'u2', lineItemSourcedId: 'w2', score: 11 }),
    ]
    files.users = [
      ...(files.users ?? []),
      { sourcedId: 'u3', givenName: 'Eve', familyName: 'Moss', identifier: '7 Beech1' },
    ]
    files.enrollments = [
      ...(files.enrollments ?? []),
      { sourcedId: 'hu3', classSourcedId: 'h', userSourcedId: 'u3', role: 'student' },
    ]
    files.lineItems = [
      ...(files.lineItems ?? []),
      { sourcedId: 'w9', title: 'Adrift', classSourcedId: 'nowhere', gradingPeriodSourcedId: 't' },
    ]
    const { body } = await bring(packed(files, { '../../../etc/passwd.csv': 'x', 'export/notes.txt': 'x' }), 'no')
    expect(body.brings.slice(-2)).toEqual([
      '2 new pieces of work, 0 changed, 0 as they are',
      '1 new result, 0 changed, 0 as they are',
    ])
    expect(body.leftOut.sort()).toEqual([
      '1 child who could be somebody else here: Eve Moss (7 Beech1, which is another’s). ' +
        'Give them the school’s number in the bundle.',
      '1 piece of work of a class that is not taken in: Adrift.',
      '1 result above what the work is out of.',
      '1 result of a child and a piece of work that stand in the bundle twice.',
      '1 result of somebody who is no child of this bundle.',
      '1 result of work that is not taken in.',
      '1 result whose score is no number.',
    ])
  })

  it('of very many results is looked at all at once by the database, which vouches for them as before', async () => {
    const db = openDatabase(databaseUrl())
    try {
      const rules = async () =>
        (
          await db.raw<{ rows: { rule: string }[] }>(
            `select conname || ' ' || pg_get_constraintdef(oid) as rule from pg_constraint
             where conrelid in ('result'::regclass, 'work'::regclass)
             union all select pg_get_indexdef(indexrelid) from pg_index
             where indrelid in ('result'::regclass, 'work'::regclass) order by 1`,
          )
        ).rows
      const before = await rules()
      const person = await db('person').where({ sign_in: 'philippa' }).first('id')
      const asker = await askerOf(db, person?.id ?? '', null)
      if (!asker) throw new Error('There is no coordinator.')
      const yearId = place.yearPath.split('/').at(-1) ?? ''
      const take = (files: Files) =>
        takeBundle({ db, today: demoDay, ...asker }, yearId, {
          ...{ bytes: Readable.from([packed(files)]), take: true, allAtOnce: 'always' },
        })
      const taken = await take(smallYear('7 Fir'))
      expect([taken.brings.at(-1), taken.leftOut]).toEqual(['3 new results, 0 changed, 0 as they are', []])
      expect(await rules()).toEqual(before)
      expect((await seen('7 Fir'))?.record.results).toHaveLength(3)
      // One who has been erased since is not brought back, and keeps nothing from being taken back.
      const [orla] = (await seen('7 Fir'))?.record.students ?? []
      const erase = { reason: 'asked by the family', schoolNumber: '7 Fir1' }
      expect((await philippa('POST', `/api/students/${orla?.id}/erase`, erase)).status).toBe(200)
      expect(await undo(taken.event)).toBe(200)

      const doubled = smallYear('7 Gale')
      const third = doubled.results?.[2]
      doubled.results?.push({ ...third, sourcedId: 'r4', score: 1 })
      const once = await take(doubled)
      expect([once.brings.at(-1), once.leftOut]).toEqual([
        '3 new results, 0 changed, 0 as they are',
        ['1 result of a child and a piece of work that stand in the bundle twice.'],
      ])
      expect(await rules()).toEqual(before)
      expect(await undo(once.event)).toBe(200)
    } finally {
      await db.destroy()
    }
  })

  it('says of every result what the door of a class says of it', async () => {
    const flags = ['', 'incomplete', 'missing', 'late']
    const statuses = ['', 'fully graded', 'partially graded', 'submitted', 'not submitted', 'exempt', 'late']
    const cases = flags.flatMap((flag) =>
      statuses.flatMap((scoreStatus) =>
        ['', '7.5'].map((score) => ({ scoreStatus, score, ...(flag && { [flag]: 'true' }) })),
      ),
    )
    const files = smallYear('7 Gorse')
    const [item] = files.lineItems ?? []
    files.lineItems = cases.map((_, at) => ({ ...item, sourcedId: `c${at}`, title: `Case ${at}` }))
    files.results = cases.map((each, at) => ({
      ...{ sourcedId: `r${at}`, lineItemSourcedId: `c${at}`, studentSourcedId: 'u1', ...each },
    }))
    const bundle = packed(files)
    const { rows = [] } = readSheets(bundle).find(({ sheet }) => sheet.endsWith('results'))?.table ?? {}
    const [head, ...body] = rows.map(({ cells }) => cells)
    const [work, score] = ['Work', 'Score'].map((heading) => head?.indexOf(heading) ?? -1)
    const ofClass = body.flatMap((cells) => {
      const read = readScore(cells[score ?? -1] ?? '', 20)
      return read.kind === 'result' ? [`${cells[work ?? -1]} ${read.state} ${read.score}`] : []
    })
    const taken = await bring(bundle, 'yes')
    const { record } = (await seen('7 Gorse')) ?? {}
    const titles = new Map(record?.work.map(({ id, title }) => [id, title]))
    const ofYear = record?.results.map(
      ({ workId, state, score: reached }) => `${titles.get(workId)} ${state} ${reached}`,
    )
    expect(ofYear?.sort()).toEqual(ofClass.sort())
    expect(new Set(ofClass.map((each) => each.split(' ')[2]))).toEqual(
      new Set(['scored', 'late', 'missing', 'excused', 'incomplete']),
    )
    expect(await undo(taken.body.event)).toBe(200)
  })

  it('says a word of a scale in points, as the door of a class does', async () => {
    const files = smallYear('7 Holly')
    files.scoreScales = [{ sourcedId: 's', title: 'Letters', scoreScaleValue: '{A:90-100},{B:80-89},{C:4.5}' }]
    files.lineItemScoreScales = [{ sourcedId: 'ls', lineItemSourcedId: 'w1', scoreScaleSourcedId: 's' }]
    files.results = ['b', 'F'].map((textScore, at) => ({
      ...{ sourcedId: `r${at}`, lineItemSourcedId: 'w1', studentSourcedId: `u${at + 1}`, textScore },
    }))
    const bundle = packed(files)
    const rows = readSheets(bundle).find(({ sheet }) => sheet.endsWith('results'))?.table.rows ?? []
    const at = rows[0]?.cells.indexOf('Score') ?? -1
    // 84.5 of the 95 of the highest, of 20 points; an F is not on the scale.
    expect(rows.slice(1).map(({ cells }) => cells[at])).toEqual(['17.79', 'F'])
    const taken = await bring(bundle, 'yes')
    expect(taken.body.leftOut).toEqual(['1 result whose score is no number.'])
    expect((await seen('7 Holly'))?.record.results.map(({ score }) => score)).toEqual([17.79])
    expect(await undo(taken.body.event)).toBe(200)
  })

  it('is the coordinator’s', async () => {
    const ines = await signedInAs('ines')
    expect((await bring(packed(smallYear('7 Cedar')), 'yes', ines)).status).toBe(403)
  })

  it.each<[string, () => Uint8Array, RegExp]>([
    ['no zip', () => strToU8('Number,Name\n'), /a bundle is a zip of CSV files/],
    ['a zip of something else', () => zipSync({ 'a.csv': strToU8('x\n') }), /there is no manifest.csv in it/],
    ['the half of one', () => packed(smallYear('7 Elm')).slice(0, 900), /damaged|no manifest|promises/],
    [
      'a row that is too long',
      () => packed({ ...smallYear('7 Elm') }, { 'export/results.csv': 'sourcedId,score\nr1,4\nr2,4,5\n' }),
      /results.csv cannot be read, from row 3 on/,
    ],
    [
      'no headings',
      () => packed(smallYear('7 Elm'), { 'export/results.csv': 'r1,4\n' }),
      /results.csv has no column sourcedId/,
    ],
    [
      'a file that is promised and is not there',
      () =>
        packed(smallYear('7 Elm'), {
          'export/manifest.csv': 'p,v\noneroster.version,1.1\nfile.users,bulk\nfile.orgs,bulk\n',
        }),
      /promises orgs.csv/,
    ],
    [
      'another version',
      () => packed(smallYear('7 Elm'), { 'export/manifest.csv': 'p,v\noneroster.version,2.0\n' }),
      /of version 2.0/,
    ],
  ])('that is %s is refused in words', async (_what, bundle, words) => {
    const { status, body } = await bring(bundle(), 'yes')
    expect([status, body.message]).toEqual([422, expect.stringMatching(words)])
    expect(await seen('7 Elm')).toBeUndefined()
  })
})
