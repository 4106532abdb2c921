import type { Knex } from 'knex'
import type { Brought } from './bringWork'

/**
 * Each staged result with what it means here (core/exchange/oneroster/bundleSheets.ts says the same of a class's), and
 * why it has no place; one without a score says nothing.
 */
const understood = `
  select named.work_id, child.student_id, r.state, case when r.state in ('scored', 'late') then r.points end as score,
    case when r.comment is null then ''
      else left(trim(regexp_replace(r.comment, '\\s+', ' ', 'g')), 2000) end as remark,
    case when named.work_id is null then 'of work that is not taken in'
      when child.student_id is null then 'of somebody who is no child of this bundle'
      when place.student_id is null then 'of children who are not in the class'
      when r.state not in ('scored', 'late') then null
      when r.written is null then 'without a score'
      when r.points is null then 'whose score is no number'
      when r.points > named.out_of then 'above what the work is out of' end as why
  from (select lineitemsourcedid, studentsourcedid, comment, coalesce(score, textscore) as written,
      number_in(coalesce(score, textscore)) as points,
      case when lower(scorestatus) = 'exempt' then 'excused'
        when lower(incomplete) = 'true' then 'incomplete'
        when lower(missing) = 'true' then 'missing'
        when lower(scorestatus) = 'not submitted' and coalesce(score, textscore) is null then 'missing'
        when lower(late) = 'true' or lower(scorestatus) = 'late' then 'late'
        else 'scored' end as state
    from staged_results offset 0) as r
    left join work_named as named on named.name = r.lineitemsourcedid
    left join child_named as child on child.name = r.studentsourcedid
    left join enrolment as place on place.class_id = named.class_id and place.student_id = child.student_id`

/** So many new results at once are not checked one by one for what they rest on, but all together. */
export const manyResults = 100_000

/** Adds and changes results, noting each as it came and as it was; or finds out how many it would be. */
export async function bringResults(
  trx: Knex.Transaction,
  eventId: number,
  { take, many }: { take: boolean; many: number },
): Promise<Brought & { leftOut: string[] }> {
  // What has just come is planned for as it is, not as it was.
  await trx.raw('analyze staged_results, enrolment, result')
  await trx.raw(`set local work_mem = '64MB'`)
  const values = { event: eventId }
  const { rowCount: noted } = await trx.raw<{ rowCount: number }>(
    `insert into bundle_result
     select :event, b.work_id, b.student_id, b.state, b.score, b.remark, here.state, here.score, here.remark
     from (${understood}) as b left join result as here using (work_id, student_id)
     where why is null and (here.work_id is null
       or (here.state, here.score, here.remark) is distinct from (b.state, b.score, b.remark))`,
    values,
  )
  const { rows: staged } = await trx.raw<{ rows: { count: number }[] }>(
    'select count(*)::int as count from staged_results',
  )
  // Where all is new there is nothing to tell of the rest.
  const rest = noted === staged[0]?.count ? [] : await countByReason(trx)
  const { added, changed } = take ? await write(trx, eventId, noted > many) : await wouldWrite(trx, eventId)
  const twice = noted - added - changed
  if (twice > 0 && take) await forgetTwice(trx, eventId)
  const all = rest.find(({ why }) => why === null)?.count ?? noted
  const leftOut = [
    ...rest.flatMap(({ why, count }) => (why === null ? [] : [{ why, count }])),
    ...(twice > 0 ? [{ why: 'of a child and a piece of work that stand in the bundle twice', count: twice }] : []),
  ]
  return {
    ...{ added, changed, unchanged: all - noted },
    leftOut: leftOut.map(
      ({ why, count }) => `${count.toLocaleString('en')} ${count === 1 ? 'result' : 'results'} ${why}.`,
    ),
  }
}

async function countByReason(trx: Knex.Transaction): Promise<{ why: string | null; count: number }[]> {
  const { rows } = await trx.raw<{ rows: { why: string | null; count: number }[] }>(
    `select why, count(*)::int as count from (${understood}) as each group by why order by count desc`,
  )
  return rows
}

async function write(
  trx: Knex.Transaction,
  eventId: number,
  isMany: boolean,
): Promise<{ added: number; changed: number }> {
  const add = async (): Promise<number> =>
    (
      await trx.raw<{ rowCount: number }>(
        `insert into result (work_id, student_id, state, score, remark)
         select work_id, student_id, state, score, remark from bundle_result
         where event_id = :event and was_state is null on conflict (work_id, student_id) do nothing`,
        { event: eventId },
      )
    ).rowCount
  const added = isMany ? await restingOnAllAtOnce(trx, add) : await add()
  const { rowCount: changed } = await trx.raw<{ rowCount: number }>(
    `update result set state = b.state, score = b.score, remark = b.remark from bundle_result as b
     where b.event_id = :event and b.was_state is not null
       and result.work_id = b.work_id and result.student_id = b.student_id`,
    { event: eventId },
  )
  return { added, changed }
}

/**
 * Writes results while nobody else does, and has the database look once, at the end and at all of them, whether what
 * they rest on is there: one by one that takes four times as long.
 */
async function restingOnAllAtOnce<T>(trx: Knex.Transaction, writing: () => Promise<T>): Promise<T> {
  const { rows } = await trx.raw<{ rows: { name: string; rule: string }[] }>(
    `select conname as name, pg_get_constraintdef(oid) as rule from pg_constraint
     where conrelid = 'result'::regclass and contype = 'f'`,
  )
  for (const { name } of rows) await trx.raw('alter table result drop constraint ??', [name])
  const made = await writing()
  for (const { name, rule } of rows) await trx.raw(`alter table result add constraint ?? ${rule}`, [name])
  return made
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
