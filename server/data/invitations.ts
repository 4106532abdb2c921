import { createHash, randomBytes } from 'node:crypto'
import type { Knex } from 'knex'

/** Hours for which a link is good. */
const goodFor = 7 * 24

/** Whom a link is for, and whether it is still good. */
export interface Invitation {
  personId: string
  given: string
  family: string
  signIn: string
  state: 'good' | 'used' | 'over'
}

/**
 * Makes a link for somebody; any before it ends. The token has 256 random bits and only its hash is kept (OWASP's
 * advice for such tokens, from memory).
 */
export async function makeInvitation(db: Knex, personId: string): Promise<{ token: string; ends: Date }> {
  const token = randomBytes(32).toString('base64url')
  const ends = new Date(Date.now() + goodFor * 3_600_000)
  await db.transaction(async (trx) => {
    await trx('invitation').where({ person_id: personId, used_at: null }).delete()
    await trx('invitation').insert({ token_hash: hashOf(token), person_id: personId, expires: ends })
  })
  return { token, ends }
}

/** Undefined where nobody was ever given this token, or another took its place. */
export async function invitationBy(db: Knex, token: string): Promise<Invitation | undefined> {
  const row = await db('invitation')
    .join('person', 'person.id', 'invitation.person_id')
    .where({ token_hash: hashOf(token) })
    .first('person_id', 'given_name', 'family_name', 'sign_in', 'used_at', 'expires', 'switched_off')
  if (!row || row.switched_off) return undefined
  const state = row.used_at !== null ? 'used' : row.expires.getTime() < Date.now() ? 'over' : 'good'
  return { personId: row.person_id, given: row.given_name, family: row.family_name, signIn: row.sign_in, state }
}

/**
 * Sets the password that a link was for and uses the link up, in one step: of two who hold it, one comes first.
 * @returns false when it was used or over by then
 */
export function useInvitation(db: Knex, token: string, passwordHash: string): Promise<boolean> {
  return db.transaction(async (trx) => {
    const [used] = await trx('invitation')
      .where({ token_hash: hashOf(token), used_at: null })
      .where('expires', '>', trx.fn.now() as never)
      .update({ used_at: trx.fn.now() as never })
      .returning('person_id')
    if (!used) return false
    await trx('person')
      .where({ id: used.person_id })
      .update({ password_hash: passwordHash, session_epoch: trx.raw('session_epoch + 1') as never })
    return true
  })
}

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('base64url')
}
