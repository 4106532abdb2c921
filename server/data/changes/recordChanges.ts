import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { dequal } from 'dequal'
import { Refusal } from '../../access/refusal'
import type { Need } from '../../access/grants'
import { placeOf, ruleOf, type Change, type Row, type Standing } from './changeableTables'
import { judge } from './changedSince'
import { applyBack, differenceBack, digestOf, type Difference } from './difference'
import { holdRows } from './heldRows'
import { putRows, takeRows } from './writtenRows'

/** What was done, by whom, where, in words; and what it took to be allowed. */
export interface Deed {
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

export interface RecordOptions {
  /** What happens when something has changed since: all is refused, or that part is left out. */
  whenChanged?: 'refuse' | 'leave out'
  /** A standing row as the writer may be shown it. */
  show?: (standing: Row | null, change: Change) => object | null
  undoes?: number
}

export interface Recorded {
  /** Null when nothing changed. */
  event: number | null
  /** What the versioned rows' version is from now on; null where there are none. */
  version: number | null
  /** The changes that were left out, since something had changed. */
  leftOut: Change[]
}

/** So long after the last keystroke a sitting is over, and the next change is an event of its own. */
const sittingMinutes = 10

/**
 * Makes changes and records them as one event, from which they can be undone. Every write of a person's data goes
 * through here: rows are held, compared with what the writer saw (see changedSince.ts), then written. Rows that stand
 * so already are left alone; when all do, no event is recorded.
 * @throws Refusal of the kind "conflict", naming each change whose row has changed since and how it stands
 */
export async function recordChanges(
  trx: Knex.Transaction,
  deed: Deed,
  changes: readonly Change[],
  options: RecordOptions = {},
): Promise<Recorded> {
  const held = await holdRows(trx, changes)
  const { wanted, leftOut } = sortOut(changes, held, options)
  if (wanted.length === 0) return { event: null, version: highestVersion(held), leftOut }
  const sitting = await sittingOf(trx, deed, wanted, held)
  const version = sitting?.version ?? (await nextVersion(trx, wanted))
  const lost = await write(trx, wanted, held, version)
  // Rows that somebody made first, between the look and the write: they are held now, and judged like all others.
  const late = lost.length === 0 ? { wanted: [], leftOut: [] } : sortOut(lost, await holdRows(trx, lost), options)
  const made = wanted.filter((change) => !lost.includes(change))
  const gone = [...leftOut, ...late.leftOut]
  if (made.length === 0) return { event: null, version, leftOut: gone }
  const event = sitting
    ? await amend(trx, sitting, made, held)
    : await keepEvent(
        trx,
        deed,
        made.map((change) => recorded(change, held.get(placeOf(change)))),
        options.undoes,
      )
  if (version !== null && !sitting) await signRows(trx, made, version, event)
  return { event, version, leftOut: gone }
}

function sortOut(
  changes: readonly Change[],
  held: ReadonlyMap<string, Standing>,
  { whenChanged = 'refuse', show = (standing) => standing }: RecordOptions,
): { wanted: Change[]; leftOut: Change[] } {
  const judged = changes.map((change, nth) => ({ change, nth, verdict: judge(change, held.get(placeOf(change))) }))
  const changed = judged.filter(({ verdict }) => verdict === 'changed since')
  if (changed.length > 0 && whenChanged === 'refuse') {
    throw new Refusal('conflict', 'This was changed elsewhere since you saw it. Nothing was overwritten.', {
      conflicts: changed.map(({ change, nth }) => ({
        nth,
        standing: show(held.get(placeOf(change))?.row ?? null, change),
        version: held.get(placeOf(change))?.version ?? 0,
      })),
    })
  }
  return {
    wanted: judged.filter(({ verdict }) => verdict === 'make it').map(({ change }) => change),
    leftOut: changed.map(({ change }) => change),
  }
}

async function write(
  trx: Knex.Transaction,
  changes: readonly Change[],
  held: ReadonlyMap<string, Standing>,
  version: number | null,
): Promise<Change[]> {
  await takeRows(trx, changes)
  const lost = await putRows(trx, changes, (change) => held.has(placeOf(change)), version)
  const years = new Set(changes.flatMap(({ table, key }) => (ruleOf(table).setup ? [String(key.year_id)] : [])))
  for (const year of [...years].sort()) {
    await trx('setup_version').where({ year_id: year }).update({ version: randomUUID() })
  }
  return lost
}

async function nextVersion(trx: Knex.Transaction, changes: readonly Change[]): Promise<number | null> {
  if (!changes.some((change) => ruleOf(change.table).versioned)) return null
  const { rows } = await trx.raw<{ rows: { version: number }[] }>(`select nextval('comment_version') as version`)
  return rows[0]?.version ?? null
}

function highestVersion(held: ReadonlyMap<string, Standing>): number | null {
  const versions = [...held.values()].flatMap((standing) => standing.version ?? [])
  return versions.length === 0 ? null : Math.max(...versions)
}

function recorded({ table, key, after }: Change, standing: Standing | undefined): RecordedChange {
  const before = standing?.row ?? null
  if (!ruleOf(table).versioned || after === null) return { table, key, before, after }
  return before === null
    ? { table, key, madeNew: digestOf(after) }
    : { table, key, back: differenceBack(before, after) }
}

async function keepEvent(
  trx: Knex.Transaction,
  deed: Deed,
  changes: readonly RecordedChange[],
  undoes: number | undefined,
): Promise<number> {
  const [event] = await trx('event')
    .insert({
      person_id: deed.personId,
      class_id: deed.classId,
      term_id: deed.termId,
      kind: deed.kind,
      needs: [...deed.needs],
      changes: JSON.stringify(changes),
      undoes: undoes ?? null,
    })
    .returning('id')
  if (!event) throw new Error('The event was not kept.')
  return event.id
}

/** Notes on each versioned row which event wrote it, so that the sitting can go on. */
async function signRows(trx: Knex.Transaction, made: readonly Change[], version: number, event: number): Promise<void> {
  const [only, ...more] = made.filter((change) => change.table === 'comment' && change.after !== null)
  // Only a text that is written by itself can be gone on with.
  if (only && more.length === 0)
    await trx('comment')
      .where({ ...only.key, version })
      .update({ written_in: event })
}

interface Sitting {
  event: number
  version: number
  changes: RecordedChange[]
}

/** The event that this change goes on with: the same person's, on the same text, a short while ago. */
async function sittingOf(
  trx: Knex.Transaction,
  deed: Deed,
  wanted: readonly Change[],
  held: ReadonlyMap<string, Standing>,
): Promise<Sitting | null> {
  const [change] = wanted
  const writtenIn = change && wanted.length === 1 ? held.get(placeOf(change))?.writtenIn : null
  if (!change || change.after === null || typeof writtenIn !== 'number') return null
  const { rows } = await trx.raw<{ rows: { version: number; changes: RecordedChange[] | null }[] }>(
    `select nextval('comment_version') as version, (
       select changes from event where id = :writtenIn and person_id = :person and kind = :kind and undone_by is null
         and undoes is null and jsonb_array_length(changes) = 1 and last_at > now() - make_interval(mins => :minutes)
     ) as changes`,
    { writtenIn, person: deed.personId, kind: deed.kind, minutes: sittingMinutes },
  )
  const [row] = rows
  const [first] = row?.changes ?? []
  const now = held.get(placeOf(change))?.row
  if (!row?.changes || !first || !now || !standsAsLeft(first, now)) return null
  return { event: writtenIn, version: row.version, changes: row.changes }
}

/** Whether a row stands as a recorded change left it. */
export function standsAsLeft(change: RecordedChange, now: Row | null): boolean {
  if ('madeNew' in change) return now !== null && digestOf(now) === change.madeNew
  if ('back' in change) return now !== null && digestOf(now) === change.back.digest
  return dequal(now, change.after)
}

/** Goes on with an event: it still leads back to what stood before the sitting, now from the newest words. */
async function amend(
  trx: Knex.Transaction,
  sitting: Sitting,
  [change]: readonly Change[],
  held: ReadonlyMap<string, Standing>,
): Promise<number> {
  const [first] = sitting.changes
  const now = change && held.get(placeOf(change))?.row
  if (!change?.after || !first || !now) throw new Error('A sitting is one change of one text.')
  const { table, key, after } = change
  const next: RecordedChange =
    'madeNew' in first
      ? { table, key, madeNew: digestOf(after) }
      : 'back' in first
        ? { table, key, back: differenceBack(applyBack(now, first.back), after) }
        : { table, key, before: first.before, after }
  await trx('event')
    .where({ id: sitting.event })
    .update({ changes: JSON.stringify([next]), last_at: new Date() })
  return sitting.event
}
