import type { Knex } from 'knex'

/** Two who wait for each other, and one who came too late to see the other: PostgreSQL lets one of them try again. */
const worthAnotherTry = new Set(['40P01', '40001'])
const tries = 4

/** Reads as everything stood at one moment, however long it takes, and changes nothing. */
export function asOfOneMoment<T>(db: Knex, read: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  return db.transaction(read, { isolationLevel: 'repeatable read', readOnly: true })
}

/** Does something whole or not at all, and tries again where only another's timing was in the way. */
export async function inTransaction<T>(db: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await db.transaction(work)
    } catch (error) {
      const code = error instanceof Error && 'code' in error ? String(error.code) : ''
      if (attempt >= tries || !worthAnotherTry.has(code)) throw error
    }
  }
}
