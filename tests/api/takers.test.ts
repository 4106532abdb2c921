import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DeskAnswer, TaughtClass } from '../../contracts/answers'
import type { ClassesAnswer } from '../../contracts/classes'
import type { TakersToWrite } from '../../contracts/takers'
import { indexRecord } from '../../core/record/recordIndex'
import { studentProgress, sumProgress } from '../../core/terms/progress'
import { signedInAs, type Client } from './client'
import { juniper, see, setupOf, type DemoPlace, type Done } from './school'

// Who takes a subject: by a click, by groups, told to everybody who sees the subject, and kept.

let philippa: Client
let ines: Client
let tobias: Client
let home: DemoPlace

beforeAll(async () => {
  ;[philippa, ines, tobias] = await Promise.all([signedInAs('philippa'), signedInAs('ines'), signedInAs('tobias')])
  home = await juniper(ines)
})

const say = (ask: Client, body: TakersToWrite) => ask<Done>('PUT', `${home.path}/takers`, body)
const undo = (event: number | null): Promise<void> => setupOf(philippa, () => home.yearPath).undo(event)
/** The subjects that a child does not take, as somebody sees it. */
const notTaking = async (ask: Client, id: string) =>
  (await see(ask, home.path)).record.students.find((each) => each.id === id)?.notTaking

/** What the desk and the one list count is what the stages count. */
async function expectCounted(ask: Client, teachesHere = true): Promise<void> {
  const desk = (await ask<DeskAnswer>('GET', '/api/desk')).body
  const room = desk.classes.find((each) => home.path.includes(each.id))
  const { record } = await see(ask, home.path)
  const index = indexRecord(record)
  const keys = record.subjects.map(({ key }) => key)
  const progress = record.students.map(({ id }) => ({ ...studentProgress(index, id, keys, false), send: undefined }))
  const counted = sumProgress(record.students.map(({ id }) => studentProgress(index, id, keys, false)))
  expect({ ...room?.counts, send: undefined }).toEqual({ ...counted, send: undefined })
  // A coordinator sees all classes and teaches none of them.
  if (!teachesHere) return
  const listed = (await ask<TaughtClass[]>('GET', `/api/terms/${desk.term.id}/children`)).body
  const children = listed.find(({ id }) => id === room?.id)?.children ?? []
  expect(children.map((child) => ({ ...child.progress, send: undefined }))).toEqual(progress)
}

describe('a child who does not take a subject', () => {
  it('counts nowhere for it, for the desk and for whoever sees the subject; undone, all stands as before', async () => {
    const [maya] = home.answer.record.students
    if (!maya) throw new Error('Nobody is in the class.')
    const before = (await ines<DeskAnswer>('GET', '/api/desk')).body.classes.find(({ id }) => home.path.includes(id))
    const done = await say(ines, {
      subject: 'science',
      choices: [{ studentId: maya.id, takes: false, was: true }],
    })
    expect(done.status).toBe(200)
    expect(await notTaking(ines, maya.id)).toEqual(['science'])
    // Who teaches music here reads nothing of science.
    expect(await notTaking(tobias, maya.id)).toEqual([])
    const after = (await ines<DeskAnswer>('GET', '/api/desk')).body.classes.find(({ id }) => home.path.includes(id))
    expect(after?.counts.settle.of).toBeLessThan(before?.counts.settle.of ?? 0)
    expect(after?.counts.write.of).toBe((before?.counts.write.of ?? 0) - 1)
    await expectCounted(ines)
    const again = await say(ines, { subject: 'science', choices: [{ studentId: maya.id, takes: false, was: true }] })
    expect([again.status, again.body.message]).toEqual([409, expect.stringMatching(/meanwhile/)])
    expect((await ines('POST', `/api/events/${done.body.event}/undo`)).status).toBe(200)
    expect(await notTaking(ines, maya.id)).toEqual([])
    await expectCounted(ines)
  })

  it('is said by who changes the subject or by the coordinator, of children of the class, in subjects there are', async () => {
    const [maya] = home.answer.record.students
    const choices = [{ studentId: maya?.id ?? '', takes: false, was: true }]
    expect((await say(tobias, { subject: 'science', choices })).status).toBe(403)
    expect((await say(ines, { subject: 'music', choices })).status).toBe(403)
    expect((await say(philippa, { subject: 'nothing', choices })).status).toBe(403)
    expect((await say(ines, { subject: 'science', choices: [...choices, ...choices] })).status).toBe(422)
    const stranger = [{ studentId: randomUUID(), takes: false, was: true }]
    expect((await say(ines, { subject: 'science', choices: stranger })).status).toBe(404)
    const byCoordinator = await say(philippa, { subject: 'music', choices })
    expect(byCoordinator.status).toBe(200)
    await undo(byCoordinator.body.event)
  })
})

describe('a subject that is taken in groups', () => {
  it('is taken by their children and by whom it is said of', async () => {
    const { rows, write } = setupOf(philippa, () => home.yearPath)
    const drama = (await rows()).subjects.find(({ key }) => key === 'art')
    if (!drama) throw new Error('The demo has no art.')
    const group = randomUUID()
    const made = await philippa<Done>('PUT', `${home.yearPath}/classes`, {
      ...{ id: group, name: 'River art', was: null, subject: 'art' },
    })
    const changed = await write({ kind: 'subject', row: { ...drama, takenBy: 'groups' }, was: drama })
    expect([made.status, changed.status]).toEqual([200, 200])
    const takers = async (): Promise<string[]> =>
      (await see(ines, home.path)).record.students.flatMap(({ id, notTaking: not = [] }) =>
        not.includes('art') ? [] : [id],
      )
    expect(await takers()).toEqual([])
    const roster = await philippa<{ students: { id: string; position: number }[] }>(
      ...(['GET', `${home.yearPath}/classes/${home.path.split('/')[3]}/students`] as const),
    )
    const [first, second] = roster.body.students
    if (!first || !second) throw new Error('Nobody is in the class.')
    const { id: _id, position, ...student } = first
    const joined = await philippa<Done>('PUT', `${home.yearPath}/classes/${group}/students`, {
      students: [{ id: randomUUID(), student, was: null, position }],
    })
    expect(await takers()).toEqual([first.id])
    const said = await say(philippa, {
      subject: 'art',
      choices: [
        { studentId: second.id, takes: true, was: false },
        { studentId: first.id, takes: false, was: true },
      ],
    })
    expect([joined.status, said.status]).toEqual([200, 200])
    expect(await takers()).toEqual([second.id])
    await expectCounted(ines)
    await expectCounted(philippa, false)
    // What holds for the rest is not kept as said: the child follows the group again.
    const asRest = await say(philippa, {
      subject: 'art',
      choices: [{ studentId: first.id, takes: true, was: false }],
    })
    for (const each of [asRest, said, joined, changed, made]) await undo(each.body.event)
    expect((await takers()).length).toBe(home.answer.record.students.length)
    const left = (await philippa<ClassesAnswer>('GET', `${home.yearPath}/classes`)).body.classes
    expect(left.some(({ id }) => id === group)).toBe(false)
  })
})
