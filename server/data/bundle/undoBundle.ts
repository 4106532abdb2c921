import type { Knex } from 'knex'
import { Refusal } from '../../access/refusal'

/** How the rows of a table are told apart, in the order in which they go: a row before what it rests on. */
const keys = {
  work: "t.id = (b.key ->> 'id')::uuid",
  category: "t.class_id = (b.key ->> 'class_id')::uuid and t.subject = b.key ->> 'subject' and t.key = b.key ->> 'key'",
  enrolment: "t.class_id = (b.key ->> 'class_id')::uuid and t.student_id = (b.key ->> 'student_id')::uuid",
  class_room: "t.id = (b.key ->> 'id')::uuid",
  student: "t.id = (b.key ->> 'id')::uuid",
} as const

/** Whether an event brought a bundle in. */
export async function isBundle(trx: Knex.Transaction, eventId: number): Promise<boolean> {
  return (await trx('bundle').where({ event_id: eventId }).first()) !== undefined
}

/**
 * Takes back what a bundle brought, whole or not at all.
 * @throws Refusal when any of it has been changed since; the database refuses what something else rests on
 */
export async function undoBundle(trx: Knex.Transaction, eventId: number): Promise<void> {
  const values = { event: eventId }
  const refuseChanged = async (query: string): Promise<void> => {
    const { rows } = await trx.raw<{ rows: object[] }>(query, values)
    if (rows.length > 0)
      throw new Refusal(
        'conflict',
        'Something has been changed since, so this can no longer be undone in one step. Nothing was changed.',
      )
  }
  await refuseChanged(
    `select 1 from bundle_result as b left join result as r using (work_id, student_id)
     where b.event_id = :event
       and (r.state, r.score, r.remark) is distinct from (b.state, b.score, b.remark) limit 1`,
  )
  await refuseChanged(
    `select 1 from bundle_work as b left join lateral (
       select count(*) as results, bit_xor(sum_of_result(student_id, state, score, remark)) as sum
       from result where work_id = b.work_id) as r on true
     where b.event_id = :event and (r.results, coalesce(r.sum, 0)) is distinct from (b.results, b.sum) limit 1`,
  )
  await trx.raw(
    'delete from result as r using bundle_work as b where b.event_id = :event and r.work_id = b.work_id',
    values,
  )
  await trx.raw(
    `delete from result as r using bundle_result as b where b.event_id = :event and b.was_state is null
       and r.work_id = b.work_id and r.student_id = b.student_id`,
    values,
  )
  await trx.raw(
    `update result as r set state = was_state, score = was_score, remark = was_remark from bundle_result as b
     where b.event_id = :event and b.was_state is not null and r.work_id = b.work_id and r.student_id = b.student_id`,
    values,
  )
  for (const [table, key] of Object.entries(keys)) {
    await refuseChanged(
      `select 1 from bundle_row as b left join ${table} as t on ${key}
       where b.event_id = :event and b.in_table = '${table}' and (to_jsonb(t) @> b.after) is not true limit 1`,
    )
    if (table === 'work')
      await trx.raw(
        `update work as t set done_on = (b.before ->> 'done_on')::date, out_of = (b.before ->> 'out_of')::float8,
           weight = (b.before ->> 'weight')::float8, counts = (b.before ->> 'counts')::boolean
         from bundle_row as b where b.event_id = :event and b.in_table = 'work' and b.before is not null and ${key}`,
        values,
      )
    await trx.raw(
      `delete from ${table} as t using bundle_row as b
       where b.event_id = :event and b.in_table = '${table}' and b.before is null and ${key}`,
      values,
    )
  }
}
