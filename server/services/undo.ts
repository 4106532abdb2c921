import { allow, allowOpenTerm, mayReadClass } from '../access/access'
import { Refusal } from '../access/refusal'
import { undoEvent } from '../data/changes'
import { loadTerm } from '../data/loadClassRecord'
import type { Context } from './context'

/** Undoes what the person did. Another person's doing is undone by them, not for them. */
export async function undo(context: Context, eventId: number): Promise<number> {
  const event = await context
    .db<{ id: number; person_id: string; class_id: string | null; term_id: string | null }>('event')
    .where({ id: eventId })
    .first()
  if (!event) throw new Refusal('not found', 'There is nothing to undo.')
  // What belongs to the whole school has neither class nor term.
  allow(
    event.person_id === context.who.personId && (event.class_id === null || mayReadClass(context.who, event.class_id)),
    'undo this',
  )
  if (event.term_id !== null) allowOpenTerm(await loadTerm(context.db, event.term_id), context.today)
  return context.db.transaction((trx) => undoEvent(trx, eventId, context.who.personId))
}
