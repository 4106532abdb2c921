import { afterAll, beforeAll, expect, it } from 'vitest'
import { usualSettings, type OwnSettings } from '../../contracts/ownSettings'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { signedInAs, type Client } from './client'

// How somebody likes to work: kept for them alone, whatever device it is said on.
let marek: Client
const db = openDatabase(databaseUrl())

beforeAll(async () => {
  marek = await signedInAs('marek')
  await forget()
})
afterAll(async () => {
  await forget()
  await db.destroy()
})
const forget = () =>
  db('person_setting')
    .whereIn('person_id', db('person').where({ sign_in: 'marek' }).select('id'))
    .delete()
const settings = async (ask: Client) => (await ask<OwnSettings>('GET', '/api/settings')).body
const write = (part: Partial<OwnSettings>, was: OwnSettings) =>
  marek<{ event: number; message: string }>('PUT', '/api/settings', { settings: { ...was, ...part }, was })

it('is as usual until something is said, and of two first words one is taken', async () => {
  expect(await settings(marek)).toEqual(usualSettings)
  const both = await Promise.all([write({ paper: 'dark' }, usualSettings), write({ paper: 'paper' }, usualSettings)])
  expect(both.map((each) => each.status).toSorted()).toEqual([200, 409])
  expect(await settings(await signedInAs('tobias'))).toEqual(usualSettings)
})

it('is changed by who has seen what stands, and undone', async () => {
  const was = await settings(marek)
  const { event } = (await write({ names: 'family first' }, was)).body
  expect((await write({ names: 'given first', textSize: 'larger' }, was)).status).toBe(409)
  expect((await settings(marek)).names).toBe('family first')
  expect((await marek('POST', `/api/events/${event}/undo`)).status).toBe(200)
  expect(await settings(marek)).toEqual(was)
})

it('is filled up where an older version kept less, and can be changed then', async () => {
  await db('person_setting')
    .whereIn('person_id', db('person').where({ sign_in: 'marek' }).select('id'))
    .update({ settings: JSON.stringify({ paper: 'dark' }) })
  const was = await settings(marek)
  expect(was).toEqual({ ...usualSettings, paper: 'dark' })
  expect((await write({ pointsOf: 10 }, was)).status).toBe(200)
})

it.each<[Partial<OwnSettings>, RegExp]>([
  [{ lowBelow: 80, highFrom: 60 }, /lies below what is marked as high/],
  [{ pointsOf: 0 }, /./],
  [{ lowBelow: 101 }, /./],
])('%j is refused', async (part, reason) => {
  const was = await settings(marek)
  const { status, body } = await write(part, was)
  expect([status, body.message]).toEqual([422, expect.stringMatching(reason)])
  expect(await settings(marek)).toEqual(was)
})
