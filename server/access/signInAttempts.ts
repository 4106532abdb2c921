import { createHmac, timingSafeEqual } from 'node:crypto'
import type { Knex } from 'knex'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { signInKey } from './signInKey'
import { Refusal } from './refusal'

/** Who tries, from where. */
export interface Attempt {
  name: string
  address: string
  /** True when this person has signed in on this device before (see deviceMark). */
  knownDevice: boolean
}

type Limit = 'here' | 'name'

/**
 * Wrong tries, then a pause in seconds. Kept in the database: every web process counts; what ended an hour ago is let
 * go of by the package. An address is not shut as such:
 * a school's own has many people behind it, and one of them who tries name after name would shut out all. Its tries are
 * looked at in turn instead (workers/fairQueue.ts), and no name gets more of them.
 */
const limits: Record<Limit, { points: number; pause: number }> = {
  /** One name from one address. */
  here: { points: 8, pause: 300 },
  /** One name from anywhere: many addresses do not help. */
  name: { points: 40, pause: 900 },
}

let limiters: Record<Limit, RateLimiterPostgres> | null = null

function limitersOn(db: Knex): Record<Limit, RateLimiterPostgres> {
  const on = (limit: Limit): RateLimiterPostgres =>
    new RateLimiterPostgres({
      storeClient: db,
      storeType: 'knex',
      tableName: 'sign_in_attempt',
      tableCreated: true,
      keyPrefix: `sign-in ${limit}`,
      points: limits[limit].points,
      duration: limits[limit].pause,
      blockDuration: limits[limit].pause,
    })
  limiters ??= { here: on('here'), name: on('name') }
  return limiters
}

/**
 * The limits that count for an attempt. On a device where somebody has signed in before, strangers' tries elsewhere
 * do not count against them: nobody is locked out of the own machine.
 */
function countedBy({ name, address, knownDevice }: Attempt): [Limit, string][] {
  const who = signInKey(name)
  const here: [Limit, string] = ['here', `${who} ${knownDevice ? 'known device' : address}`.slice(0, 200)]
  return knownDevice ? [here] : [here, ['name', who.slice(0, 200)]]
}

/** Counts a try before the password is looked at. @throws Refusal when there were too many */
export async function countAttempt(db: Knex, attempt: Attempt): Promise<void> {
  await consume(db, countedBy(attempt))
}

/** Counts a try of the set-up key: by address alone, so that strangers elsewhere do not shut its owner out. */
export async function countKeyTried(db: Knex, address: string): Promise<void> {
  await consume(db, [['here', `the set-up key ${address}`]])
}

async function consume(db: Knex, counted: readonly [Limit, string][]): Promise<void> {
  const on = limitersOn(db)
  for (const [limit, key] of counted) {
    try {
      await on[limit].consume(key)
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error
      const minutes = Math.ceil(error.msBeforeNext / 60_000)
      throw new Refusal('too often', `Too many tries. Wait ${minutes} minutes, then try again.`)
    }
  }
}

/** A right password wipes the slate clean for the person. */
export async function forgiveAttempts(db: Knex, attempt: Attempt): Promise<void> {
  const on = limitersOn(db)
  for (const [limit, key] of countedBy(attempt)) {
    await on[limit].delete(key)
  }
}

/** What a device keeps to show that somebody has signed in on it before. It opens nothing. */
export function deviceMark(secret: string, name: string): string {
  return createHmac('sha256', secret)
    .update(`device ${signInKey(name)}`)
    .digest('base64url')
    .slice(0, 27)
}

/** Whether one of the marks that a device keeps is this person's. */
export function isKnownDevice(secret: string, name: string, marks: string): boolean {
  const wanted = Buffer.from(deviceMark(secret, name))
  return marks.split('.').some((mark) => {
    const given = Buffer.from(mark)
    return given.length === wanted.length && timingSafeEqual(given, wanted)
  })
}
