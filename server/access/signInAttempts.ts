import type { Knex } from 'knex'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { Refusal } from './refusal'

/** So many wrong tries of one name from one address, then a pause. Kept in the database: every web process counts. */
const tries = 8
const pauseSeconds = 300

let limiter: RateLimiterPostgres | null = null

function limiterOn(db: Knex): RateLimiterPostgres {
  limiter ??= new RateLimiterPostgres({
    storeClient: db,
    storeType: 'knex',
    tableName: 'sign_in_attempt',
    tableCreated: true,
    keyPrefix: 'sign-in',
    points: tries,
    duration: pauseSeconds,
    blockDuration: pauseSeconds,
  })
  return limiter
}

/** Counts a try before the password is looked at. @throws Refusal when there were too many */
export async function countAttempt(db: Knex, name: string, from: string): Promise<void> {
  const counter = limiterOn(db)
  try {
    await counter.consume(keyOf(name, from))
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error
    throw new Refusal(
      'too often',
      `Too many tries. Wait ${Math.ceil(error.msBeforeNext / 60_000)} minutes, then try again.`,
    )
  }
}

/** A right password wipes the slate clean. */
export async function forgiveAttempts(db: Knex, name: string, from: string): Promise<void> {
  await limiterOn(db).delete(keyOf(name, from))
}

function keyOf(name: string, from: string): string {
  return `${name.trim().toLowerCase()} ${from}`
}
