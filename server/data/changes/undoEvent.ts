import type { Knex } from 'knex'
import type { UndoAnswer } from '../../../contracts/history'
import { Refusal } from '../../access/refusal'
import { isNeed, type Need } from '../../access/grants'
import { isBundle, undoBundle } from '../bundle/undoBundle'
import { rowKey, type Change, type StoredRow } from './changeableTables'
import { applyBack } from './difference'
import { holdRows } from './heldRows'
import { keepEvents, standsAsLeft, type RecordedChange } from './keptEvents'
import { highestVersion, recordChanges } from './recordChanges'

/** An event as far as undoing looks at it. */
export interface UndoableEvent {
  id: number
  personId: string
  classId: string | null
  termId: string | null
  kind: string
  /** Null for an event from before this was kept: nobody can tell any more what it needed. */
  needs: Need[] | null
}

/** The event, held until the transaction ends; undefined when there is none. */
export async function holdEvent(trx: Knex.Transaction, id: number): Promise<UndoableEvent | undefined> {
  const event = await trx('event').where({ id }).forUpdate().first()
  if (!event) return undefined
  return {
    id: event.id,
    personId: event.person_id,
    classId: event.class_id,
    termId: event.term_id,
    kind: event.kind,
    needs: event.needs?.filter(isNeed) ?? null,
  }
}

/**
 * Undoes an event by a new one. Refused when the event was undone already or when one of its rows has been changed
 * since, so that nobody's later work is lost; by its owner on another page too, who went on with the same event.
 * Undoing that event in turn does it again.
 * @param seen the version of the texts in it that the asker saw
 */
export async function undoEvent(trx: Knex.Transaction, event: UndoableEvent, seen: number | null): Promise<UndoAnswer> {
  const kept = await trx('event').where({ id: event.id }).first()
  if (!kept) throw new Refusal('not found', 'There is nothing to undo.')
  if (kept.undone_by !== null) throw new Refusal('conflict', 'This was undone already.')
  if (await isBundle(trx, event.id)) return undoBroughtBundle(trx, event)
  if (kept.undoes !== null && (await isBundle(trx, kept.undoes)))
    throw new Refusal('conflict', 'To have a bundle again, choose its file again. Nothing was changed.')
  const held = await holdRows(trx, kept.changes)
  const changes = kept.changes.map((change) => backTo(change, held.get(rowKey(change))))
  refuseIfWentOn(highestVersion(held), seen)
  await refuseIfEntered(trx, changes)
  const action = { ...event, needs: event.needs ?? [], kind: `undid: ${event.kind}` }
  const { event: undoing, version } = await recordChanges(trx, action, changes, { undoes: event.id }).catch(
    refuseIfRestedOn,
  )
  if (undoing === null) throw new Refusal('conflict', 'This stands so already.')
  await trx('event').where({ id: event.id }).update({ undone_by: undoing })
  return { event: undoing, version }
}

/** A bundle is taken back as a whole; to have it again, it is brought again. */
async function undoBroughtBundle(trx: Knex.Transaction, event: UndoableEvent): Promise<UndoAnswer> {
  await undoBundle(trx, event.id).catch(refuseIfRestedOn)
  const action = { ...event, needs: event.needs ?? [], kind: `undid: ${event.kind}` }
  const [undoing = 0] = await keepEvents(trx, [{ action, changes: [], undoes: event.id }])
  await trx('event').where({ id: event.id }).update({ undone_by: undoing })
  return { event: undoing, version: null }
}

/** The change that leads back. @throws Refusal when the row does not stand as the event left it */
function backTo(change: RecordedChange, standing: StoredRow | undefined): Change {
  const { table, key } = change
  const now = standing?.row ?? null
  if (!standsAsLeft(change, now)) {
    throw new Refusal(
      'conflict',
      'Something has been changed since, so this can no longer be undone in one step. Nothing was changed.',
    )
  }
  if ('madeNew' in change) return { table, key, seen: now, after: null }
  if ('back' in change) return { table, key, seen: now, after: now && applyBack(now, change.back) }
  return { table, key, seen: now, after: change.before }
}

/** @throws Refusal where its owner went on writing since it was looked at, on another page */
function refuseIfWentOn(standing: number | null, seen: number | null): void {
  if (standing === null || standing === seen) return
  throw new Refusal(
    'conflict',
    'You have gone on writing since, on another page, so this is not undone from here. Nothing was changed.',
  )
}

/** An account whose owner has chosen a password is theirs: it is switched off, and not undone. */
async function refuseIfEntered(trx: Knex.Transaction, changes: readonly Change[]): Promise<void> {
  const gone = changes.flatMap(({ table, key, after }) =>
    table === 'person' && after === null ? [String(key.id)] : [],
  )
  const owned = await trx('person').whereIn('id', gone).whereNotNull('password_hash').first('given_name')
  if (!owned) return
  throw new Refusal(
    'conflict',
    `${owned.given_name} has chosen a password since, so the account stays. Switch it off instead. Nothing was changed.`,
  )
}

/** PostgreSQL's foreign_key_violation: later rows rest on one that would go. */
function refuseIfRestedOn(error: unknown): never {
  if (error instanceof Error && 'code' in error && error.code === '23503') {
    throw new Refusal(
      'conflict',
      'Something else has come to rest on this since, so it can no longer be undone in one step. Nothing was changed.',
    )
  }
  throw error
}
