import type { Knex } from 'knex'

/**
 * Lets this transaction, and no other, write into terms that are locked: what restores a school from its folder,
 * or takes a child's data or a year away, is bound by no lock. Nothing that changes what teachers settled or wrote may
 * ask for it.
 */
export async function setLockAside(trx: Knex.Transaction): Promise<void> {
  await trx.raw(`set local facunda.lock = 'set aside'`)
}
