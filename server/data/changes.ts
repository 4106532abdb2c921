import type { Knex } from 'knex'
import { Refusal } from '../access/refusal'

type Value = string | number | boolean | null | object
export type Row = Record<string, Value>

/** The tables whose rows people change, with the columns that tell rows apart. */
const keyColumns = {
  work: ['id'],
  result: ['work_id', 'student_id'],
  category: ['class_id', 'subject', 'key'],
  settled_mark: ['student_id', 'subject', 'term_id'],
  settled_level: ['student_id', 'about', 'term_id'],
  comment: ['student_id', 'box', 'term_id'],
} as const

export type ChangeableTable = keyof typeof keyColumns

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
  classId: string
  termId: string
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
export async function recordChanges(trx: Knex.Transaction, deed: Deed, changes: readonly Change[], undoes: number | null = null): Promise<number | null> {
  const recorded: RecordedChange[] = []
  for (const table of Object.keys(keyColumns) as ChangeableTable[]) {
    const own = changes.filter((change) => change.table === table)
    const before = await rowsNow(trx, table, own.map((change) => change.key))
    const real = own
      .map((change) => ({ ...change, before: before.get(keyText(table, change.key)) ?? null }))
      .filter((change) => !sameRow(change.before, change.after))
    await write(trx, table, real)
    recorded.push(...real)
  }
  if (recorded.length === 0) return null
  const [event] = await trx('event')
    .insert({ person_id: deed.personId, class_id: deed.classId, term_id: deed.termId, kind: deed.kind, changes: JSON.stringify(recorded), undoes })
    .returning<{ id: number }[]>('id')
  return event?.id ?? null
}

/**
 * Undoes an event by a new one. Refused when the event was undone already or when one of its rows has been changed
 * since, so that nobody's later work is lost.
 */
export async function undoEvent(trx: Knex.Transaction, eventId: number, personId: string): Promise<number | null> {
  const event = await trx('event').where({ id: eventId }).forUpdate().first<{ class_id: string; term_id: string; kind: string; changes: RecordedChange[]; undone_by: number | null } | undefined>()
  if (!event) throw new Refusal('not found', 'There is nothing to undo.')
  if (event.undone_by !== null) throw new Refusal('conflict', 'This was undone already.')
  for (const change of event.changes) {
    const now = await rowsNow(trx, change.table, [change.key])
    if (!sameRow(now.get(keyText(change.table, change.key)) ?? null, change.after)) {
      throw new Refusal('conflict', 'Something has been changed since, so this can no longer be undone in one step. Nothing was changed.')
    }
  }
  // What was made last goes first, so that results go before the work they belong to.
  const back = [...event.changes].reverse().map(({ table, key, before }) => ({ table, key, after: before }))
  for (const table of [...new Set(back.map((change) => change.table))]) {
    const removals = back.filter((change) => change.table === table && change.after === null)
    await write(trx, table, removals.map((change) => ({ ...change, before: {} }))).catch(refuseIfRestedOn)
  }
  const deed = { personId, classId: event.class_id, termId: event.term_id, kind: `undid: ${event.kind}` }
  const undoing = await recordUndo(trx, deed, back, event.changes, eventId)
  await trx('event').where({ id: eventId }).update({ undone_by: undoing })
  return undoing
}

/** PostgreSQL's foreign_key_violation: later rows rest on one that would go. */
function refuseIfRestedOn(error: unknown): never {
  if (error instanceof Error && 'code' in error && error.code === '23503') {
    throw new Refusal('conflict', 'Results have been added since to work that came in then, so this can no longer be undone in one step. Nothing was changed.')
  }
  throw error
}

async function recordUndo(trx: Knex.Transaction, deed: Deed, back: readonly Change[], undone: readonly RecordedChange[], undoes: number): Promise<number | null> {
  for (const table of Object.keys(keyColumns) as ChangeableTable[]) {
    await write(trx, table, back.filter((change) => change.table === table && change.after !== null).map((change) => ({ ...change, before: null })))
  }
  const changes = undone.map(({ table, key, before, after }) => ({ table, key, before: after, after: before }))
  const [event] = await trx('event')
    .insert({ person_id: deed.personId, class_id: deed.classId, term_id: deed.termId, kind: deed.kind, changes: JSON.stringify(changes), undoes })
    .returning<{ id: number }[]>('id')
  return event?.id ?? null
}

async function rowsNow(trx: Knex.Transaction, table: ChangeableTable, keys: readonly Row[]): Promise<Map<string, Row>> {
  const columns = [...keyColumns[table]]
  const found = new Map<string, Row>()
  for (let at = 0; at < keys.length; at += chunk) {
    const values = keys.slice(at, at + chunk).map((key) => columns.map((column) => key[column] ?? null))
    const rows = await trx<Row>(table).whereIn(columns, values as never).forUpdate()
    for (const row of rows as Row[]) {
      const rest = Object.fromEntries(Object.entries(row).filter(([column]) => !(columns as string[]).includes(column)))
      found.set(keyText(table, row), rest)
    }
  }
  return found
}

async function write(trx: Knex.Transaction, table: ChangeableTable, changes: readonly RecordedChange[]): Promise<void> {
  const columns = [...keyColumns[table]]
  const gone = changes.filter((change) => change.after === null)
  for (let at = 0; at < gone.length; at += chunk) {
    await trx(table).whereIn(columns, gone.slice(at, at + chunk).map((change) => columns.map((column) => change.key[column] ?? null)) as never).delete()
  }
  const kept = changes.flatMap((change) => (change.after === null ? [] : [toColumns({ ...change.key, ...change.after })]))
  for (let at = 0; at < kept.length; at += chunk) {
    await trx(table).insert(kept.slice(at, at + chunk)).onConflict(columns).merge()
  }
}

/** Objects and lists go into jsonb columns as text. */
function toColumns(row: Row): Row {
  return Object.fromEntries(Object.entries(row).map(([column, value]) => [column, typeof value === 'object' && value !== null ? JSON.stringify(value) : value]))
}

function keyText(table: ChangeableTable, row: Row): string {
  return JSON.stringify(keyColumns[table].map((column) => row[column]))
}

function sameRow(a: Row | null, b: Row | null): boolean {
  if (a === null || b === null) return a === b
  return canonical(a) === canonical(b)
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part)
}
