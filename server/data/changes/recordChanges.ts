import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { rowKey, ruleOf, type Change, type StoredRow } from './changeableTables'
import { holdRows } from './heldRows'
import { keepEvents, recordedChange, type Action } from './keptEvents'
import { amend, openSession } from './editingSession'
import { sortOut, type RecordOptions } from './sortedOut'
import { holdSetups, requireSetupsFit } from './wholeSetup'
import { putRows, takeRows } from './writtenRows'

/** What came of changes. */
export interface Recorded {
  /** Null when nothing changed. */
  event: number | null
  /** What the versioned rows' version is from now on; null where there are none. */
  version: number | null
  /** The changes that were left out, since something had changed. */
  leftOut: Change[]
}

/**
 * Makes changes and records them as one event, from which they can be undone. Every write of a person's data goes
 * through here: rows are held, compared with what the writer saw (see changedSince.ts), then written. Rows that stand
 * so already are left alone; when all do, no event is recorded.
 * @throws Refusal of the kind "conflict", naming each change whose row has changed since and how it stands; of the kind
 * "invalid" where a set-up would not fit together
 */
export async function recordChanges(
  trx: Knex.Transaction,
  action: Action,
  changes: readonly Change[],
  options: RecordOptions = {},
): Promise<Recorded> {
  const setups = await holdSetups(trx, changes)
  const held = await holdRows(trx, changes)
  const { wanted, leftOut } = sortOut(changes, held, options)
  if (wanted.length === 0) return { event: null, version: highestVersion(held), leftOut }
  const session = await openSession(trx, action, wanted, held)
  const version = session?.version ?? (await nextVersion(trx, wanted))
  const lost = await write(trx, wanted, held, version)
  await requireSetupsFit(trx, setups)
  // Rows that somebody made first, between the look and the write: they are held now, and judged like all others.
  const late = lost.length === 0 ? { wanted: [], leftOut: [] } : sortOut(lost, await holdRows(trx, lost), options)
  const made = wanted.filter((change) => !lost.includes(change))
  const gone = [...leftOut, ...late.leftOut]
  if (made.length === 0) return { event: null, version, leftOut: gone }
  const kept = made.map((change) => recordedChange(change, held.get(rowKey(change))))
  if (session) return { event: await amend(trx, session, made, held), version, leftOut: gone }
  const [event = null] = await keepEvents(trx, [{ action, changes: kept, undoes: options.undoes }])
  if (version !== null && event !== null) await signRows(trx, made, version, event)
  return { event, version, leftOut: gone }
}

async function write(
  trx: Knex.Transaction,
  changes: readonly Change[],
  held: ReadonlyMap<string, StoredRow>,
  version: number | null,
): Promise<Change[]> {
  await takeRows(trx, changes)
  const lost = await putRows(trx, changes, (change) => held.has(rowKey(change)), version)
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

/** The newest version of some rows; null where none has versions. */
export function highestVersion(held: ReadonlyMap<string, StoredRow>): number | null {
  const versions = [...held.values()].flatMap((standing) => standing.version ?? [])
  return versions.length === 0 ? null : Math.max(...versions)
}

/** Notes on each versioned row which event wrote it, so that the session can go on. */
async function signRows(trx: Knex.Transaction, made: readonly Change[], version: number, event: number): Promise<void> {
  const [only, ...more] = made.filter((change) => change.table === 'comment' && change.after !== null)
  // Only a text that is written by itself can be gone on with.
  if (only && more.length === 0)
    await trx('comment')
      .where({ ...only.key, version })
      .update({ written_in: event })
}
