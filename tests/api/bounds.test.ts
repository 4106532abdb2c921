import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { FileAnswer, PlanAnswer } from '../../contracts/answers'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

// What a piece of work may hold is one thing, whether it is typed, comes with a gradebook file or reaches the database
// in a way that nobody thought of. Bundles have their own test of it, the school folder too.

let db: Knex
let ines: Client
let place: DemoPlace

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  ines = await signedInAs('ines')
  place = await juniper(ines)
})
afterAll(() => db.destroy())

const usual = { title: 'A bound', category: 'quiz', date: '2026-11-02', outOf: 20, weight: 1, counts: true }
type Work = typeof usual
const long = 'x'.repeat(201)

/** The same work by hand, as a file with a row for each result, and as a row of the table. */
const doors: Record<string, (work: Work) => Promise<boolean>> = {
  'typed': async (work) => {
    const body = { id: randomUUID(), subject: 'mathematics', work, was: null }
    return (await ines('PUT', `${place.path}/work`, body)).status === 200
  },
  'in a file': async ({ title, category, date, outOf, weight }) => {
    const text = `Number,Work,Category,Date,Out of,Weight,Score\n05101,${title},${category},${date},${outOf},${weight},0\n`
    const path = `${place.path}/files?subject=mathematics&name=bound.csv`
    const { body: file } = await ines<FileAnswer>('POST', path, new TextEncoder().encode(text))
    const mapping = { ...file.mapping, columns: ['number', 'work', 'category', 'date', 'out of', 'weight', 'score'] }
    const { body } = await ines<PlanAnswer>('POST', `/api/files/${file.id}/plan`, { mapping })
    expect(body.plan.refused.every(({ reason }) => reason !== '')).toBe(true)
    // A day or a maximum that is none is left out, and said; the work comes with the usual one.
    if (body.plan.refused.some(({ column }) => column === 'Date' || column === 'Out of')) return false
    await ines('POST', `/api/files/${file.id}/apply`, { mapping, fingerprint: body.fingerprint })
    return (await see(ines, place.path)).record.work.some((each) => each.title === title)
  },
  'past all of it': async ({ date, outOf, category, ...work }) => {
    const { classRoom, term } = place.answer.record
    const row = { ...work, category, class_id: classRoom.id, term_id: term.id, subject: 'mathematics' }
    const written = db('work').insert({ ...row, id: randomUUID(), done_on: date, out_of: outOf })
    return written.then(
      () => true,
      (error: unknown) => {
        expect(error).toMatchObject({ constraint: 'work_fits' })
        return false
      },
    )
  },
}

describe.each(Object.entries(doors))('a piece of work %s', (_door, comesIn) => {
  it('comes in with what may be', async () => {
    for (const [nth, work] of [usual, { ...usual, outOf: 0.01 }, { ...usual, outOf: 100_000, weight: 0.5 }].entries())
      expect(await comesIn({ ...work, title: `A bound ${nth}` })).toBe(true)
    await db('result').whereIn('work_id', db('work').whereLike('title', 'A bound%').select('id')).delete()
    await db('work').whereLike('title', 'A bound%').delete()
  })

  it.each<[string, Partial<Work>]>([
    ['a title of 201 signs', { title: long }],
    ['out of nothing', { outOf: 0 }],
    ['out of next to nothing', { outOf: 1e-321 }],
    ['out of a thousand million', { outOf: 1e9 }],
    ['out of infinity', { outOf: Number('9'.repeat(400)) }],
    ['a weight that is none', { weight: 1e7 }],
    ['a year far from here', { date: '2926-11-02' }],
  ])('does not with %s', async (_what, wrong) => {
    expect(await comesIn({ ...usual, ...wrong })).toBe(false)
  })
})
