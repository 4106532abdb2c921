import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ResultToWrite, WorkKept } from '../../contracts/results'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// Results that are typed, and pieces of work that are made by hand.

let ines: Client
let place: DemoPlace
beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

const plain: WorkKept = { title: '', category: 'Sketches', date: '2026-11-20', outOf: 20, weight: 1, counts: true }
const record = async () => (await see(ines, place.path)).record
const keep = (id: string, work: WorkKept | null, was: WorkKept | null) =>
  ines<Done>('PUT', `${place.path}/work`, { id, subject: 'art', work, was })
const give = (...results: ResultToWrite[]) => ines<Done>('PUT', `${place.path}/results`, { results })
const undo = async (event: number | null) => (await ines('POST', `/api/events/${event}/undo`)).status
const scored = (score: number) => ({ state: 'scored' as const, score, remark: '' })

async function makeWork(title: string): Promise<{ id: string; work: WorkKept; event: number | null }> {
  const id = randomUUID()
  const { status, body } = await keep(id, { ...plain, title }, null)
  expect(status).toBe(200)
  const made = (await record()).work.find((each) => each.id === id)
  return { id, work: { ...plain, title, category: made?.category ?? '' }, event: body.event }
}

describe('results', () => {
  it('are given, changed over what was seen, emptied, and taken back one by one', async () => {
    const { id: workId, event } = await makeWork('River sketch')
    const studentId = place.student('Finn').id
    const cell = { workId, studentId }
    const first = await give({ ...cell, result: scored(17), was: null })
    const late = { state: 'late' as const, score: 12.5, remark: 'came on Monday' }
    const second = await give({ ...cell, result: late, was: scored(17) })
    expect([first.status, second.status]).toEqual([200, 200])
    expect((await record()).results).toContainEqual({ ...cell, ...late })
    const stale = await give({ ...cell, result: scored(3), was: scored(17) })
    expect(stale.status).toBe(409)
    const third = await give({ ...cell, result: null, was: late })
    expect((await record()).results.some((each) => each.workId === workId)).toBe(false)
    expect(await undo(third.body.event)).toBe(200)
    expect((await record()).results).toContainEqual({ ...cell, ...late })
    // The work came before them: it is not taken away under results that stand.
    expect(await undo(event)).toBe(409)
    expect((await keep(workId, null, (await kept(workId)) ?? null)).status).toBe(200)
  })

  it.each([
    [{ state: 'scored' as const, score: 21, remark: '' }, 'more than the 20'],
    [{ state: 'scored' as const, score: null, remark: '' }, 'needs a number'],
    [{ state: 'missing' as const, score: 3, remark: '' }, 'has no score'],
  ])('%j is refused whole, with what is wrong', async (result, words) => {
    const { id, work } = await makeWork(`Sketch ${randomUUID()}`)
    const [finn, kit] = [place.student('Finn').id, place.student('Kit').id]
    const answer = await give(
      { workId: id, studentId: kit, result: scored(5), was: null },
      { workId: id, studentId: finn, result, was: null },
    )
    expect([answer.status, answer.body.message]).toEqual([422, expect.stringContaining(words)])
    expect((await record()).results.some((each) => each.workId === id)).toBe(false)
    await keep(id, null, work)
  })

  it('belong to work and children of the class', async () => {
    const studentId = place.student('Finn').id
    expect((await give({ workId: randomUUID(), studentId, result: scored(1), was: null })).status).toBe(404)
    const { id, work } = await makeWork('Far sketch')
    expect((await give({ workId: id, studentId: randomUUID(), result: scored(1), was: null })).status).toBe(404)
    await keep(id, null, work)
  })
})

async function kept(id: string): Promise<WorkKept | undefined> {
  const found = (await record()).work.find((each) => each.id === id)
  return (
    found && {
      ...{ title: found.title, category: found.category, date: found.date },
      ...{ outOf: found.outOf, weight: found.weight, counts: found.counts },
    }
  )
}

describe('a piece of work', () => {
  it('brings a category that is not there yet, which weighs as the others do, and goes with its results', async () => {
    const before = (await record()).categories.filter(({ subject }) => subject === 'art')
    const { id, work, event } = await makeWork('Clay bowl')
    const added = (await record()).categories.find(({ subject, name }) => subject === 'art' && name === 'Sketches')
    const mean = before.reduce((sum, { weight }) => sum + weight, 0) / before.length
    expect(added?.weight).toBeCloseTo(before.length === 0 ? 1 : mean)
    const studentId = place.student('Finn').id
    await give({ workId: id, studentId, result: scored(15), was: null })
    const gone = await keep(id, null, work)
    expect([gone.status, (await record()).work.some((each) => each.id === id)]).toEqual([200, false])
    expect(await undo(gone.body.event)).toBe(200)
    expect((await record()).results).toContainEqual({ workId: id, studentId, ...scored(15) })
    await keep(id, null, work)
    expect(event).not.toBeNull()
  })

  it('is not out of less than somebody has, nor called like another, nor changed over a colleague’s change', async () => {
    const { id, work } = await makeWork('Print')
    const studentId = place.student('Finn').id
    await give({ workId: id, studentId, result: scored(15), was: null })
    const less = await keep(id, { ...work, outOf: 10 }, work)
    expect([less.status, less.body.message]).toEqual([422, expect.stringContaining('Somebody has 15')])
    const twice = await keep(randomUUID(), { ...work, title: 'PRINT' }, null)
    expect([twice.status, twice.body.message]).toEqual([422, expect.stringContaining('of this name')])
    const changed = { ...work, outOf: 30, counts: false }
    expect((await keep(id, changed, work)).status).toBe(200)
    expect((await keep(id, { ...work, weight: 2 }, work)).status).toBe(409)
    expect(await kept(id)).toEqual(changed)
    expect((await keep(id, null, changed)).status).toBe(200)
  })
})
