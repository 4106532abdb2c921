import type { Knex } from 'knex'
import { rowKey, type Change, type StoredRow } from './changeableTables'
import { applyBack, differenceBack, digestOf } from './difference'
import { standsAsLeft, type Action, type RecordedChange } from './keptEvents'

/** So long after the last keystroke a session is over, and the next change is an event of its own. */
const sessionMinutes = 10

/** An event that is gone on with while somebody writes on one text. */
export interface EditingSession {
  event: number
  version: number
  changes: RecordedChange[]
}

/**
 * The event that this change goes on with: the same person's, on the same text, a short while ago. A sign-off ends it:
 * what is written after it is told apart from what was signed.
 */
export async function openSession(
  trx: Knex.Transaction,
  action: Action,
  wanted: readonly Change[],
  held: ReadonlyMap<string, StoredRow>,
): Promise<EditingSession | null> {
  const [change] = wanted
  const writtenIn = change && wanted.length === 1 ? held.get(rowKey(change))?.writtenIn : null
  if (!change || change.after === null || typeof writtenIn !== 'number') return null
  const { rows } = await trx.raw<{ rows: { version: number; changes: RecordedChange[] | null }[] }>(
    `select nextval('comment_version') as version, (
       select changes from event where id = :writtenIn and person_id = :person and kind = :kind and undone_by is null
         and undoes is null and jsonb_array_length(changes) = 1 and last_at > now() - make_interval(mins => :minutes)
         and not exists (select from sign_off where sign_off.class_id = event.class_id
           and sign_off.term_id = event.term_id and signed_at > extract(epoch from last_at) * 1000)
     ) as changes`,
    { writtenIn, person: action.personId, kind: action.kind, minutes: sessionMinutes },
  )
  const [row] = rows
  const [first] = row?.changes ?? []
  const now = held.get(rowKey(change))?.row
  if (!row?.changes || !first || !now || !standsAsLeft(first, now)) return null
  return { event: writtenIn, version: row.version, changes: row.changes }
}

/** Goes on with an event: it still leads back to what stood before the session, now from the newest words. */
export async function amend(
  trx: Knex.Transaction,
  session: EditingSession,
  [change]: readonly Change[],
  held: ReadonlyMap<string, StoredRow>,
): Promise<number> {
  const [first] = session.changes
  const now = change && held.get(rowKey(change))?.row
  if (!change?.after || !first || !now) throw new Error('A session is one change of one text.')
  const { table, key, after } = change
  const next: RecordedChange =
    'madeNew' in first
      ? { table, key, madeNew: digestOf(after) }
      : 'back' in first
        ? { table, key, back: differenceBack(applyBack(now, first.back), after) }
        : { table, key, before: first.before, after }
  await trx('event')
    .where({ id: session.event })
    .update({ changes: JSON.stringify([next]), last_at: trx.raw('clock_timestamp()') as never })
  return session.event
}
