import type { Knex } from 'knex'
import { Refusal } from '../../access/refusal'
import { batched } from '../batched'
import { inTransaction } from '../transactions'
import { rowKey, ruleOf, type Change, type StoredRow } from './changeableTables'
import { holdRows } from './heldRows'
import { keepEvents, recordedChange, type Action, type EventToKeep } from './keptEvents'
import { recordChanges, type Recorded } from './recordChanges'
import { sortOut, type RecordOptions } from './sortedOut'
import { putRows, takeRows } from './writtenRows'

/** What one person changes at once, to be recorded as one event. */
export interface Save {
  action: Action
  changes: readonly Change[]
  options?: RecordOptions
}

/** A save of more rows than this has a transaction of its own. */
const fewRows = 40
/** At most so many saves share a transaction. */
const mostSaves = 30
/** So long, in ms, saves that share one wait for rows that somebody else holds, before each goes its own way. */
const patience = 100

/**
 * Makes changes and records them, in a transaction of their own, or in one with the small saves of others who save at
 * the same moment: what comes while such a transaction is under way goes into the next. Each save is judged by itself,
 * and has its own event and its own refusal; where one would spoil it for the others, each is made alone.
 */
export async function recordSave(db: Knex, save: Save): Promise<Recorded> {
  const small = save.changes.length <= fewRows && save.changes.every(({ table }) => ruleOf(table).often)
  return small ? (await saveWithOthers(db, save))() : alone(db, save)
}

function alone(db: Knex, { action, changes, options }: Save): Promise<Recorded> {
  return inTransaction(db, (trx) => recordChanges(trx, action, changes, options))
}

/** What came of a save: to be asked for outside the gathering, so that one who waits alone holds up nobody. */
type Outcome = () => Promise<Recorded>

const saveWithOthers = batched<Save, Outcome>(mostSaves, async (db, saves) => {
  const [first, ...more] = saves
  if (first && more.length === 0) {
    const made = alone(db, first)
    await settledWithin(patience, made)
    return [() => made]
  }
  const outcomes = await db.transaction((trx) => recordTogether(trx, saves)).catch(() => null)
  return saves.map((save, nth): Outcome => {
    const outcome = outcomes?.[nth]
    if (outcome === undefined || outcome === 'by itself') return () => alone(db, save)
    return outcome instanceof Refusal ? () => Promise.reject(outcome) : () => Promise.resolve(outcome)
  })
})

/**
 * Several saves in one transaction: what recordChanges does, once for all. A save of a row that an earlier one of them
 * has too is left to go by itself. @throws where one would spoil it for the others; nothing is written then
 */
async function recordTogether(
  trx: Knex.Transaction,
  saves: readonly Save[],
): Promise<(Recorded | Refusal | 'by itself')[]> {
  await trx.raw(`set local lock_timeout = ${patience}`)
  const apart = sharingNoRow(saves)
  const held = await holdRows(
    trx,
    saves.flatMap((save) => (apart.has(save) ? save.changes : [])),
  )
  const judged = saves.map((save) => (apart.has(save) ? wantedOf(save, held) : 'by itself'))
  const wanted = judged.flatMap((each) => (each === 'by itself' || each instanceof Refusal ? [] : each.wanted))
  await takeRows(trx, wanted)
  const lost = await putRows(trx, wanted, (change) => held.has(rowKey(change)), null)
  if (lost.length > 0) throw new Error('Somebody made a row first.')
  const events = saves.flatMap((save, nth) => eventOf(save, judged[nth], held))
  const numbers = await keepEvents(trx, events)
  let next = 0
  return judged.map((each) => {
    if (each === 'by itself' || each instanceof Refusal) return each
    const event = each.wanted.length === 0 ? null : (numbers[next++] ?? null)
    return { event, version: null, leftOut: each.leftOut }
  })
}

/** The saves of which no two are about the same row: each that shares none with those before it. */
function sharingNoRow(saves: readonly Save[]): ReadonlySet<Save> {
  const taken = new Set<string>()
  return new Set(
    saves.filter(({ changes }) => {
      const places = changes.map(rowKey)
      const free = places.every((place) => !taken.has(place))
      if (free) places.forEach((place) => taken.add(place))
      return free
    }),
  )
}

type Judged = ReturnType<typeof sortOut> | Refusal

function wantedOf({ changes, options = {} }: Save, held: ReadonlyMap<string, StoredRow>): Judged {
  try {
    return sortOut(changes, held, options)
  } catch (refusal) {
    if (refusal instanceof Refusal) return refusal
    throw refusal
  }
}

function eventOf(
  { action, options }: Save,
  judged: Judged | 'by itself' | undefined,
  held: ReadonlyMap<string, StoredRow>,
): EventToKeep[] {
  if (judged === undefined || judged === 'by itself' || judged instanceof Refusal) return []
  if (judged.wanted.length === 0) return []
  const changes = judged.wanted.map((change) => recordedChange(change, held.get(rowKey(change))))
  return [{ action, changes, undoes: options?.undoes }]
}

/** Waits until something has ended, well or not, but no longer than so many ms. */
async function settledWithin(milliseconds: number, work: Promise<unknown>): Promise<void> {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<void>((done) => {
    timer = setTimeout(done, milliseconds)
  })
  await Promise.race([work.catch(() => undefined), late])
  clearTimeout(timer)
}
