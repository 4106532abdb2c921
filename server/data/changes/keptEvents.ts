import type { Knex } from 'knex'
import { dequal } from 'dequal'
import type { Need } from '../../access/grants'
import { ruleOf, type Change, type Row, type StoredRow } from './changeableTables'
import { differenceBack, digestOf, type Difference } from './difference'

/** What was done, by whom, where, in words; and what it took to be allowed. */
export interface Action {
  personId: string
  /** Null for what belongs to the whole school. */
  classId: string | null
  termId: string | null
  /** "settled 3 marks" */
  kind: string
  /** What the person needed for it, asked again when it is undone. */
  needs: readonly Need[]
}

/** A change as its event keeps it: whole, or the way back alone where rows are large. */
export type RecordedChange =
  | { table: Change['table']; key: Row; before: Row | null; after: Row | null }
  | { table: Change['table']; key: Row; back: Difference }
  | { table: Change['table']; key: Row; madeNew: string }

/** A change that was made, as its event keeps it. */
export function recordedChange({ table, key, after }: Change, standing: StoredRow | undefined): RecordedChange {
  const before = standing?.row ?? null
  if (!ruleOf(table).versioned || after === null) return { table, key, before, after }
  return before === null
    ? { table, key, madeNew: digestOf(after) }
    : { table, key, back: differenceBack(before, after) }
}

/** Whether a row stands as a recorded change left it. */
export function standsAsLeft(change: RecordedChange, now: Row | null): boolean {
  if ('madeNew' in change) return now !== null && digestOf(now) === change.madeNew
  if ('back' in change) return now !== null && digestOf(now) === change.back.digest
  const { after } = change
  if (now === null || after === null) return now === after
  // A column that has come since was not yet there to be changed.
  return Object.entries(after).every(([column, value]) => dequal(now[column], value))
}

/** What an event keeps. */
export interface EventToKeep {
  action: Action
  changes: readonly RecordedChange[]
  /** The event that this one undoes. */
  undoes?: number | undefined
}

/** Keeps events, in one statement. @returns their numbers, in the same order */
export async function keepEvents(trx: Knex.Transaction, events: readonly EventToKeep[]): Promise<number[]> {
  if (events.length === 0) return []
  const kept = await trx('event')
    .insert(
      events.map(({ action, changes, undoes }) => ({
        person_id: action.personId,
        class_id: action.classId,
        term_id: action.termId,
        kind: action.kind,
        needs: [...action.needs],
        changes: JSON.stringify(changes),
        undoes: undoes ?? null,
      })),
    )
    .returning('id')
  return kept.map((event) => event.id)
}
