import type { Knex } from 'knex'
import { studentRow } from '../studentColumns'
import type { YearPlan } from '../../../core/exchange/oneroster/planYear'

/** Notes that an event is a bundle's, so that it is taken back as one. */
export async function noteBundle(trx: Knex.Transaction, eventId: number, yearId: string): Promise<void> {
  await trx('bundle').insert({ event_id: eventId, year_id: yearId })
}

/** Adds the children, classes and places of a plan, noting each so that it can be taken back. */
export async function bringPeople(
  trx: Knex.Transaction,
  plan: YearPlan,
  { yearId, eventId }: { yearId: string; eventId: number },
): Promise<void> {
  const rows = {
    student: plan.newStudents.map((student) => ({ id: student.id, ...studentRow(student) })),
    class_room: plan.newClasses.map(({ id, name, group }) => ({ id, year_id: yearId, name, subject: group })),
    enrolment: await withPositions(trx, plan),
  }
  for (const table of ['student', 'class_room', 'enrolment'] as const) {
    const json = JSON.stringify(rows[table])
    const columns = Object.keys(rows[table][0] ?? {}).join(', ')
    if (columns === '') continue
    const key = table === 'enrolment' ? `'class_id', made.class_id, 'student_id', made.student_id` : `'id', made.id`
    await trx.raw(
      `with made as (insert into ${table} (${columns})
         select ${columns} from jsonb_populate_recordset(null::${table}, :json::jsonb) returning *)
       insert into bundle_row (event_id, in_table, key, before, after)
       select :event, '${table}', jsonb_build_object(${key}), null, to_jsonb(made) from made`,
      { json, event: eventId },
    )
  }
}

/** New places of a class come after those that stand. */
async function withPositions(trx: Knex.Transaction, { newPlaces }: YearPlan) {
  const { rows } = await trx.raw<{ rows: { room: string; last: number }[] }>(
    `select class_id as room, max(position) as last from enrolment where class_id = any(?::uuid[]) group by class_id`,
    [[...new Set(newPlaces.map(({ classId }) => classId))]],
  )
  const next = new Map(rows.map(({ room, last }) => [room, last + 1]))
  return newPlaces.map(({ classId, studentId, grade }) => {
    const position = next.get(classId) ?? 0
    next.set(classId, position + 1)
    return { class_id: classId, student_id: studentId, position, grade_level: grade }
  })
}

/** What the bundle's own names mean here, as tables of the transaction's own. */
export async function layDownNames(trx: Knex.Transaction, plan: YearPlan): Promise<void> {
  const lay = async (table: string, columns: string, rows: readonly object[]): Promise<void> => {
    await trx.raw(`create temp table ${table} (${columns}) on commit drop`)
    await trx.raw(`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ?::jsonb)`, [
      JSON.stringify(rows),
    ])
    await trx.raw(`analyze ${table}`)
  }
  await lay(
    'term_named',
    'name text, term_id uuid',
    [...plan.terms].map(([name, id]) => ({ name, term_id: id })),
  )
  await lay(
    'room_named',
    'name text, class_id uuid, subject text',
    [...plan.rooms].map(([name, { classId, subject }]) => ({ name, class_id: classId, subject })),
  )
  await lay(
    'child_named',
    'name text, student_id uuid',
    [...plan.students].map(([name, id]) => ({ name, student_id: id })),
  )
}
