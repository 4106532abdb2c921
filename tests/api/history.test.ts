import { beforeAll, expect, it } from 'vitest'
import type { HistoryEntry, StepsAnswer } from '../../contracts/history'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// What somebody did is told at the value, and is taken back step by step, whatever page it was done on.
let ines: Client
let place: DemoPlace
beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

const student = (): string => place.answer.record.students[7]?.id ?? ''
const standing = async (): Promise<string | null> =>
  (await see(ines, place.path)).record.levels.find((each) => each.studentId === student() && each.about === 'P2')
    ?.symbol ?? null
async function rate(symbol: string | null): Promise<number | null> {
  const was = await standing()
  const levels = [{ studentId: student(), kind: 'skill', about: 'P2', was, symbol }]
  return (await ines<Done>('PUT', `${place.path}/levels`, { levels })).body.event
}
const steps = async (passed = ''): Promise<StepsAnswer> =>
  (await ines<StepsAnswer>('GET', `${place.path}/steps?passed=${passed}`)).body
const history = async (of: string, about: string, who = ines): Promise<HistoryEntry[]> =>
  (await who<HistoryEntry[]>('GET', `${place.path}/history?of=${of}&about=${about}&student=${student()}`)).body
const take = async (step: StepsAnswer['undo']): Promise<void> => {
  expect((await ines('POST', `/api/events/${step?.id}/undo`)).status).toBe(200)
}

it('goes back two steps and forth again, and the value tells each', async () => {
  const before = await standing()
  await rate(null)
  const [first, second] = [await rate('2'), await rate('3')]
  expect((await steps()).undo?.id).toBe(second)
  await take((await steps()).undo)
  expect([await standing(), (await steps()).undo?.id]).toEqual(['2', first])
  await take((await steps()).undo)
  expect(await standing()).toBeNull()
  await take((await steps()).again)
  await take((await steps()).again)
  expect([await standing(), (await steps()).again]).toEqual(['3', null])
  const told = await history('skill', 'P2')
  expect(told.slice(0, 6).map(({ from, to }) => [from?.symbol ?? null, to?.symbol ?? null])).toEqual([
    ['2', '3'],
    [null, '2'],
    ['2', null],
    ['3', '2'],
    ['2', '3'],
    [null, '2'],
  ])
  expect(told[0]).toMatchObject({ by: 'Ines Calloway', at: expect.stringMatching(/^\d{4}-\d\d-\d\dT.*Z$/) as string })
  await rate(before)
})

it('goes past what a colleague has written over', async () => {
  const philippa = await signedInAs('philippa')
  const events = [await rate('1'), await rate('4')]
  const sub = await ines('POST', `/api/events/${events[0]}/undo`)
  expect(sub.status).toBe(409)
  expect((await steps(String(events[1]))).undo?.id).toBe(events[0])
  // Another person's steps are their own.
  const theirs = (await philippa<StepsAnswer>('GET', `${place.path}/steps`)).body
  expect(events).not.toContain(theirs.undo?.id)
})

it('a text is told word for word, though only the way back was kept', async () => {
  const standing = async () =>
    (await see(ines, place.path)).record.comments.find((each) => each.studentId === student() && each.box === 'art')
  const write = async (text: string) => {
    const empty = { studentId: student(), box: 'art', status: 'in draft', version: 0 }
    const body = { ...empty, ...(await standing()), text, ownWords: true, sentences: [] }
    return (await ines<Done & { version: number }>('PUT', `${place.path}/comment`, body)).body
  }
  // What was written a short while ago would be gone on with, in one event; undoing ends that sitting.
  const { event, version } = await write('Gone again.')
  await ines('POST', `/api/events/${event}/undo`, { seen: version })
  const before = (await standing())?.text ?? ''
  await write('She paints the river.')
  const [last] = await history('comment', 'art')
  expect([last?.from?.text ?? '', last?.to?.text]).toEqual([before, 'She paints the river.'])
  await write(before)
})
