import type { Knex } from 'knex'
import { Refusal } from '../access/refusal'

type Value = string | number | boolean | null | object
export type Row = Record<string, Value>

/**
 * The tables whose rows people change, with the columns that tell rows apart. A table stands after those it rests on.
 */
const keyColumns = {
  category: ['class_id', 'subject', 'key'],
  work: ['id'],
  result: ['work_id', 'student_id'],
  settled_mark: ['student_id', 'subject', 'term_id'],
  settled_level: ['student_id', 'about', 'term_id'],
  comment: ['student_id', 'box', 'term_id'],
  accepted_finding: ['student_id', 'box', 'term_id', 'check_name', 'words'],
  phrase: ['id'],
  describing_word: ['tier', 'word'],
  comment_box: ['key'],
  school: ['id'],
} as const

export type ChangeableTable = keyof typeof keyColumns

const tables = Object.keys(keyColumns) as ChangeableTable[]

/** One row as it shall be; null for a row that shall go. The key columns stand in `key`, all others in `after`. */
export interface Change {
  table: ChangeableTable
  key: Row
  after: Row | null
}

interface RecordedChange extends Change {
  before: Row | null
}

export interface Deed {
  personId: string
  /** Null for what belongs to the whole school. */
  classId: string | null
  termId: string | null
  /** What was done, in words: "settled 3 marks". */
  kind: string
}

/** At most so many rows in one statement. */
const chunk = 500

/**
 * Makes changes and records them as one event, from which they can be undone. Every write of a person's data goes
 * through here. Rows that are so already are left alone; when all are, no event is recorded.
 * @returns the event's id, or null when nothing changed
 */
export async function recordChanges(
  trx: Knex.Transaction,
  deed: Deed,
  changes: readonly Change[],
): Promise<number | null> {
  const now = await rowsNow(trx, changes)
  const real = changes
    .map((change): RecordedChange => ({ ...change, before: now.get(placeOf(change)) ?? null }))
    .filter((change) => !sameRow(change.before, change.after))
  if (real.length === 0) return null
  await apply(trx, real)
  return keepEvent(trx, deed, real, null)
}

/**
 * Undoes an event by a new one. Refused when the event was undone already or when one of its rows has been changed
 * since, so that nobody's later work is lost.
 */
export async function undoEvent(trx: Knex.Transaction, eventId: number, personId: string): Promise<number> {
  const event = await trx('event').where({ id: eventId }).forUpdate().first<
    | {
        class_id: string | null
        term_id: string | null
        kind: string
        changes: RecordedChange[]
        undone_by: number | null
      }
    | undefined
  >()
  if (!event) throw new Refusal('not found', 'There is nothing to undo.')
  if (event.undone_by !== null) throw new Refusal('conflict', 'This was undone already.')
  const now = await rowsNow(trx, event.changes)
  if (event.changes.some((change) => !sameRow(now.get(placeOf(change)) ?? null, change.after))) {
    throw new Refusal(
      'conflict',
      'Something has been changed since, so this can no longer be undone in one step. Nothing was changed.',
    )
  }
  const back = event.changes.map(({ table, key, before, after }): RecordedChange => ({
    table,
    key,
    before: after,
    after: before,
  }))
  await apply(trx, back).catch(refuseIfRestedOn)
  const undoing = await keepEvent(
    trx,
    { personId, classId: event.class_id, termId: event.term_id, kind: `undid: ${event.kind}` },
    back,
    eventId,
  )
  await trx('event').where({ id: eventId }).update({ undone_by: undoing })
  return undoing
}

async function keepEvent(
  trx: Knex.Transaction,
  deed: Deed,
  changes: readonly RecordedChange[],
  undoes: number | null,
): Promise<number> {
  const [event] = await trx('event')
    .insert({
      person_id: deed.personId,
      class_id: deed.classId,
      term_id: deed.termId,
      kind: deed.kind,
      changes: JSON.stringify(changes),
      undoes,
    })
    .returning<{ id: number }[]>('id')
  if (!event) throw new Error('The event was not kept.')
  return event.id
}

/** PostgreSQL's foreign_key_violation: later rows rest on one that would go. */
function refuseIfRestedOn(error: unknown): never {
  if (error instanceof Error && 'code' in error && error.code === '23503') {
    throw new Refusal(
      'conflict',
      'Results have been added since to work that came in then, so this can no longer be undone in one step. Nothing was changed.',
    )
  }
  throw error
}

/** Takes rows away from the last table to the first, then puts rows in from the first to the last. */
async function apply(trx: Knex.Transaction, changes: readonly Change[]): Promise<void> {
  for (const table of [...tables].reverse()) {
    const gone = changes.filter((change) => change.table === table && change.after === null)
    for (const some of chunks(gone))
      await trx(table)
        .whereIn([...keyColumns[table]], some.map(keyValues) as never)
        .delete()
  }
  for (const table of tables) {
    const kept = changes.flatMap((change) =>
      change.table === table && change.after !== null ? [toColumns({ ...change.key, ...change.after })] : [],
    )
    for (const some of chunks(kept))
      await trx(table)
        .insert(some)
        .onConflict([...keyColumns[table]])
        .merge()
  }
}

/** The rows that changes are about, as they stand, held until the transaction ends. */
async function rowsNow(trx: Knex.Transaction, changes: readonly Change[]): Promise<Map<string, Row>> {
  const found = new Map<string, Row>()
  for (const table of tables) {
    const columns: readonly string[] = keyColumns[table]
    for (const some of chunks(changes.filter((change) => change.table === table))) {
      const rows = (await trx<Row>(table)
        .whereIn([...columns], some.map(keyValues) as never)
        .forUpdate()) as Row[]
      for (const row of rows) {
        found.set(
          placeOf({ table, key: row }),
          Object.fromEntries(Object.entries(row).filter(([column]) => !columns.includes(column))),
        )
      }
    }
  }
  return found
}

function* chunks<T>(items: readonly T[]): Generator<T[]> {
  for (let at = 0; at < items.length; at += chunk) yield items.slice(at, at + chunk)
}

function keyValues({ table, key }: Change): Value[] {
  return keyColumns[table].map((column) => key[column] ?? null)
}

/** A row's table and key in one word. */
function placeOf({ table, key }: Pick<Change, 'table' | 'key'>): string {
  return `${table} ${JSON.stringify(keyColumns[table].map((column) => key[column]))}`
}

/** Columns of type jsonb, into which values go as text. */
const jsonColumns = new Set(['sentences', 'settings'])

function toColumns(row: Row): Row {
  return Object.fromEntries(
    Object.entries(row).map(([column, value]) => [
      column,
      jsonColumns.has(column) && value !== null ? JSON.stringify(value) : value,
    ]),
  )
}

function sameRow(a: Row | null, b: Row | null): boolean {
  if (a === null || b === null) return a === b
  return canonical(a) === canonical(b)
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )
}
