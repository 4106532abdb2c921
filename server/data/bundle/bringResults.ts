import type { Knex } from 'knex'
import type { NamesHere } from '../../../core/exchange/oneroster/readResults'
import { lookedAtAllAtOnce, manyRows, type AllAtOnce } from './allAtOnce'
import type { Brought } from './bringWork'
import { copyResults, type Copied } from './copyResults'
import type { HeldFile } from './heldFile'

/** What PostgreSQL answers when two rows share a key. */
const twoOfOneKey = '23505'
/** No row of results.csv is shorter than its two names. */
const bytesOfRow = 16

interface Bringing {
  /** False only finds out how many it would be. */
  readonly take: boolean
  readonly allAtOnce: AllAtOnce
  readonly names: NamesHere
}

/** Adds and changes results, noting how they are taken back; two of one child and piece of work are taken once. */
export async function bringResults(
  trx: Knex.Transaction,
  { eventId, held }: { eventId: number; held: HeldFile },
  { take, allAtOnce, names }: Bringing,
): Promise<Brought & { leftOut: string[] }> {
  const isNew = ![...names.work.values()].some(({ stands }) => stands)
  const pays = async (): Promise<boolean> => allAtOnce === 'where it pays' && isMuch(trx, held)
  const isMany = isNew && (allAtOnce === 'always' || (await pays()))
  const straight = isMany ? await straightIn(trx, held, names) : null
  const copied = straight ?? (await layBeside(trx, held, names))
  const fresh = straight ? copied.ofNewWork : await bringToNewWork(trx, take, isMany)
  if (fresh > 0 && take) await noteNewWork(trx, eventId)
  const { noted, added, changed } =
    copied.ofStandingWork > 0 ? await bringToStandingWork(trx, eventId, take) : { noted: 0, added: 0, changed: 0 }
  const leftOut = new Map(copied.leftOut)
  const twice = copied.ofNewWork - fresh + noted - added - changed
  if (twice > 0) leftOut.set('of a child and a piece of work that stand in the bundle twice', twice)
  return {
    added: fresh + added,
    changed,
    unchanged: copied.ofStandingWork - noted,
    leftOut: [...leftOut]
      .sort(([, one], [, other]) => other - one)
      .map(([why, count]) => `${count.toLocaleString('en')} ${count === 1 ? 'result' : 'results'} ${why}.`),
  }
}

/** Whether many come, and the school has fewer: then its keys are sooner made anew. */
async function isMuch(trx: Knex.Transaction, held: HeldFile): Promise<boolean> {
  if (held.bytes < manyRows * bytesOfRow) return false
  const { rows } = await trx.raw<{ rows: { bytes: string }[] }>(`select pg_relation_size('result') as bytes`)
  return Number(rows[0]?.bytes ?? 0) < held.bytes
}

/** All of them straight among the school's; null, and as if it had not been, when two are of one child and work. */
async function straightIn(trx: Knex.Transaction, held: HeldFile, names: NamesHere): Promise<Copied | null> {
  try {
    return await trx.transaction((inner) =>
      lookedAtAllAtOnce(inner, { table: 'result', rules: 'what it rests on, and its keys' }, () =>
        copyResults(inner, held, { names, into: 'result' }),
      ),
    )
  } catch (error) {
    if ((error as { code?: string }).code === twoOfOneKey) return null
    throw error
  }
}

async function layBeside(trx: Knex.Transaction, held: HeldFile, names: NamesHere): Promise<Copied> {
  await trx.raw(
    `create temp table brought_result (work_id uuid, student_id uuid, state text, score double precision, remark text,
       stands boolean) on commit drop`,
  )
  const copied = await copyResults(trx, held, { names, into: 'brought_result' })
  // What has just come is planned for as it is, not as it was.
  await trx.raw('analyze brought_result, result')
  return copied
}

/** Results of work that the bundle brings itself: all are new. @returns how many */
async function bringToNewWork(trx: Knex.Transaction, take: boolean, isMany: boolean): Promise<number> {
  const run = async (query: string): Promise<number> => (await trx.raw<{ rowCount: number }>(query)).rowCount
  const columns = 'work_id, student_id, state, score, remark'
  if (isMany)
    return lookedAtAllAtOnce(trx, { table: 'result', rules: 'what it rests on, and its keys' }, () =>
      run(
        `insert into result (${columns}) select distinct on (work_id, student_id) ${columns} from brought_result
         where not stands`,
      ),
    )
  if (take)
    return run(
      `insert into result (${columns}) select ${columns} from brought_result where not stands
       on conflict (work_id, student_id) do nothing`,
    )
  return run(`select distinct work_id, student_id from brought_result where not stands`)
}

async function noteNewWork(trx: Knex.Transaction, eventId: number): Promise<void> {
  await trx.raw(
    `insert into bundle_work
     select :event, work_id, count(*), bit_xor(sum_of_result(student_id, state, score, remark))
     from result where work_id in (select work_id from work_named where not stands) group by work_id`,
    { event: eventId },
  )
}

/** Results of work that stood before the bundle came: each is noted as it comes and as it was. */
async function bringToStandingWork(
  trx: Knex.Transaction,
  eventId: number,
  take: boolean,
): Promise<{ noted: number; added: number; changed: number }> {
  const values = { event: eventId }
  const run = async (query: string): Promise<number> => (await trx.raw<{ rowCount: number }>(query, values)).rowCount
  const noted = await run(
    `insert into bundle_result
     select :event, b.work_id, b.student_id, b.state, b.score, b.remark, here.state, here.score, here.remark
     from brought_result as b left join result as here using (work_id, student_id)
     where b.stands and (here.work_id is null
       or (here.state, here.score, here.remark) is distinct from (b.state, b.score, b.remark))`,
  )
  if (noted === 0 || !take) return { noted, ...(await wouldWrite(trx, eventId)) }
  const added = await run(
    `insert into result (work_id, student_id, state, score, remark)
     select work_id, student_id, state, score, remark from bundle_result
     where event_id = :event and was_state is null on conflict (work_id, student_id) do nothing`,
  )
  const changed = await run(
    `update result set state = b.state, score = b.score, remark = b.remark from bundle_result as b
     where b.event_id = :event and b.was_state is not null
       and result.work_id = b.work_id and result.student_id = b.student_id`,
  )
  if (added + changed < noted) await forgetTwice(trx, eventId)
  return { noted, added, changed }
}

async function wouldWrite(trx: Knex.Transaction, eventId: number): Promise<{ added: number; changed: number }> {
  const { rows } = await trx.raw<{ rows: { added: number; changed: number }[] }>(
    `select count(*) filter (where was_state is null)::int as added,
       count(*) filter (where was_state is not null)::int as changed
     from (select work_id, student_id, min(was_state) as was_state from bundle_result
       where event_id = :event group by work_id, student_id) as each`,
    { event: eventId },
  )
  return rows[0] ?? { added: 0, changed: 0 }
}

/** Of two results of one child and piece of work, that is noted which was kept. */
async function forgetTwice(trx: Knex.Transaction, eventId: number): Promise<void> {
  await trx.raw(
    `delete from bundle_result as b where event_id = :event and ctid not in (
       select min(b.ctid) from bundle_result as b join result as r using (work_id, student_id)
       where b.event_id = :event and (r.state, r.score, r.remark) is not distinct from (b.state, b.score, b.remark)
       group by work_id, student_id)`,
    { event: eventId },
  )
}
