import type { UndoAnswer } from '../../contracts/history'
import { allow, allowOpenTerm, changesSchool, grantsIn, underLock, type Need } from '../access/grants'
import { Refusal } from '../access/refusal'
import { holdEvent, undoEvent, type UndoableEvent } from '../data/changes/undoEvent'
import { loadPlace, loadTerm } from '../data/places'
import { inTransaction } from '../data/transactions'
import type { Context } from './context'

/**
 * Undoes what the person did. Another person's doing is undone by them, not for them, and only by somebody who could
 * do it today.
 * @param seen the version of the texts in it that the asker saw
 */
export function undo(context: Context, eventId: number, seen: number | null): Promise<UndoAnswer> {
  return inTransaction(context.db, async (trx) => {
    const event = await holdEvent(trx, eventId)
    if (!event) throw new Refusal('not found', 'There is nothing to undo.')
    allow(event.personId === context.who.personId && event.needs !== null, 'undo this')
    await allowToday({ ...context, db: trx }, event, event.needs ?? [])
    return undoEvent(trx, event, seen)
  })
}

async function allowToday(context: Context, event: UndoableEvent, needs: readonly Need[]): Promise<void> {
  const { classId, termId } = event
  if (classId === null || termId === null) {
    if (termId !== null) allowOpenTerm(await loadTerm(context.db, termId), context.today)
    allow(
      needs.every((need) => need === 'own' || (need === 'school' && changesSchool(context.who))),
      'undo this',
    )
    return
  }
  const place = await loadPlace(context.db, { classId, termId })
  const grants = underLock(grantsIn(context.who, place.room), place, context.today)
  allow(grants.readsClass && needs.every(grants.changes), 'undo this')
}
