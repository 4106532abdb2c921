import { beforeAll, expect, it } from 'vitest'
import type { SignOff } from '../../contracts/signOffs'
import { allSignedIn, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// A subject is signed off with a note; whoever reads it sees what has been changed since, and by whom.
let ines: Client
let tobias: Client
let philippa: Client
let place: DemoPlace
beforeAll(async () => {
  ;[ines, tobias, philippa] = await allSignedIn('ines', 'tobias', 'philippa')
  place = await juniper(ines)
})

const student = (): string => place.student('Umi').id
const sign = (who: Client, subject: string | null, note: string | null, was: number | null = null) =>
  who<Done>('PUT', `${place.path}/sign-off`, { subject, signed: note === null ? null : { note }, was })
const seen = async (who: Client, subject: string | null): Promise<SignOff | undefined> =>
  (await who<SignOff[]>('GET', `${place.path}/sign-offs`)).body.find((each) => each.subject === subject)
const undo = async (who: Client, event: number | null | undefined): Promise<void> => {
  expect((await who('POST', `/api/events/${event}/undo`)).status).toBe(200)
}

async function settle(who: Client, percent: number): Promise<number | null> {
  const was = (await see(who, place.path)).record.marks.find(
    ({ studentId, subject }) => studentId === student() && subject === 'art',
  )
  const { percent: before = null, special = null, reason = null } = was ?? {}
  const mark = { studentId: student(), subject: 'art', was: was ? { percent: before, special, reason } : null }
  const marks = [{ ...mark, mark: { percent, special: null, reason: null } }]
  return (await who<Done>('PUT', `${place.path}/marks`, { marks })).body.event
}

async function rewrite(who: Client, text: string): Promise<number | null> {
  const now = (await see(who, place.path)).record.comments.find(
    ({ box, studentId }) => box === 'art' && studentId === student(),
  )
  const empty = { studentId: student(), box: 'art', status: 'in draft', version: 0 }
  return (await who<Done>('PUT', `${place.path}/comment`, { ...empty, ...now, text, ownWords: true, sentences: [] }))
    .body.event
}

it('is signed off with a note; what is changed since is told from what to what, and not what was taken back', async () => {
  await settle(ines, 70)
  await rewrite(ines, 'Umi draws.')
  const signed = await sign(ines, 'art', 'Two were ill.')
  expect(await seen(philippa, 'art')).toMatchObject({ by: 'Ines Calloway', note: 'Two were ill.', changes: [] })
  await settle(ines, 75)
  await settle(ines, 80)
  await rewrite(ines, 'Umi draws and prints.')
  const habits = { studentId: student(), kind: 'habit', about: 'taking-care', symbol: 'O' }
  const was = place.answer.record.habitScores.find(
    (each) => each.studentId === student() && each.about === habits.about,
  )
  const levels = [{ ...habits, was: was?.symbol ?? null }]
  const scored = await ines<Done>('PUT', `${place.path}/levels`, { levels })
  const told = (await seen(philippa, 'art'))?.changes ?? []
  expect(told.map(({ of, from, to, by }) => [of, from?.percent ?? from?.text, to?.percent ?? to?.text, by])).toEqual(
    expect.arrayContaining([
      ['mark', 70, 80, ['Ines Calloway']],
      ['comment', 'Umi draws.', 'Umi draws and prints.', ['Ines Calloway']],
    ]),
  )
  expect(told).toHaveLength(2)
  await settle(ines, 70)
  expect((await seen(philippa, 'art'))?.changes.map(({ of }) => of)).toEqual(['comment'])
  if (scored.body.event !== null) await undo(ines, scored.body.event)
  await undo(ines, signed.body.event)
  expect(await seen(ines, 'art')).toBeUndefined()
})

it('is the doing of whoever changes the subject, seen by whoever reads it, over what stands alone', async () => {
  expect((await sign(tobias, 'art', '')).status).toBe(403)
  expect((await sign(philippa, 'art', '')).status).toBe(403)
  expect((await sign(ines, 'flying', '')).status).toBe(403)
  const first = await sign(ines, 'art', '')
  expect((await tobias<SignOff[]>('GET', `${place.path}/sign-offs`)).body).toEqual([])
  const stale = await sign(ines, 'art', 'Again', 5)
  expect([stale.status, (await seen(ines, 'art'))?.note]).toEqual([409, ''])
  const at = (await seen(ines, 'art'))?.at ?? 0
  expect((await sign(ines, 'art', 'Again', at)).status).toBe(200)
  expect((await seen(ines, 'art'))?.note).toBe('Again')
  const again = (await seen(ines, 'art'))?.at ?? 0
  expect((await sign(ines, 'art', null, again)).status).toBe(200)
  expect(await seen(ines, 'art')).toBeUndefined()
  expect(first.body.event).not.toBeNull()
})
