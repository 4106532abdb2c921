import type { Knex } from 'knex'
import { forgetNames, namesToForget } from './forgottenNames'
import { setLockAside } from './lockSetAside'

/** The tables that keep something of a student, asked of the database itself, so that none is forgotten. */
async function tablesOfStudents(db: Knex): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { name: string }[] }>(
    `select table_name as name from information_schema.columns
     where column_name = 'student_id' and table_schema = current_schema() order by table_name`,
  )
  return rows.map((row) => row.name)
}

/** A change in an event that is about one student, as SQL over the JSON of a change. */
const aboutStudent = `(
  change -> 'key' ->> 'student_id' = :id::text or change -> 'before' ->> 'student_id' = :id::text
  or change -> 'after' ->> 'student_id' = :id::text
  or (change ->> 'table' = 'student' and change -> 'key' ->> 'id' = :id::text))`

/** All that is kept of a student, by table, with what its rows point at. */
export async function loadStudentData(db: Knex, id: string): Promise<Record<string, object[]>> {
  const found: Record<string, object[]> = { student: await rowsOf(db, 'select * from student where id = :id', id) }
  for (const table of await tablesOfStudents(db)) {
    found[table] = await rowsOf(db, `select * from "${table}" where student_id = :id`, id)
  }
  found.work = await rowsOf(
    db,
    'select * from work where id in (select work_id from result where student_id = :id)',
    id,
  )
  found.class_room = await rowsOf(
    db,
    'select * from class_room where id in (select class_id from enrolment where student_id = :id)',
    id,
  )
  found.term = await rowsOf(
    db,
    `select * from term where year_id in
       (select year_id from class_room join enrolment on class_id = id where student_id = :id)`,
    id,
  )
  found.event = await rowsOf(
    db,
    `select event.id, at, kind, trim(given_name || ' ' || family_name) as by, jsonb_agg(change) as changes
     from event join person on person.id = person_id, jsonb_array_elements(changes) as change
     where ${aboutStudent} group by event.id, person.id order by event.id`,
    id,
  )
  return found
}

async function rowsOf(db: Knex, query: string, id: string): Promise<object[]> {
  return (await db.raw<{ rows: object[] }>(query, { id })).rows
}

/**
 * Erases a student everywhere: rows, what is kept for undoing, files in which the student may stand, reports that are
 * not with a family yet, and the name wherever else it was written.
 */
export async function eraseStudentData(trx: Knex.Transaction, id: string): Promise<void> {
  await setLockAside(trx)
  const rooms = 'select class_id from enrolment where student_id = :id'
  for (const query of [
    `update event set changes = (select coalesce(jsonb_agg(change), '[]') from jsonb_array_elements(changes) as change
       where not ${aboutStudent})
     where exists (select from jsonb_array_elements(changes) as change where ${aboutStudent})`,
    `delete from bundle_row where key ->> 'student_id' = :id::text
       or (in_table = 'student' and key ->> 'id' = :id::text)`,
    // What a bundle brought can still be taken back without this student.
    `update bundle_work as b set results = results - 1, sum = sum # sum_of_result(student_id, state, score, remark)
     from result as r where r.student_id = :id and r.work_id = b.work_id`,
    // The words for taking a file in name it.
    `update event set kind = replace(kind, file.name, 'a file') from gradebook_file as file
     where file.class_id in (${rooms}) and file.name <> '' and event.class_id = file.class_id
       and position(file.name in kind) > 0`,
    `update gradebook_file set bytes = '', name = 'a file' where class_id in (${rooms})`,
    `delete from remembered_mapping where class_id in (${rooms})`,
    `delete from report_file where run_id in (select id from report_run where :id::uuid = any(student_ids))`,
    `delete from report_document where student_id is null
       and run_id in (select id from report_run where :id::uuid = any(student_ids))`,
    `update report_run set student_ids = array_remove(student_ids, :id::uuid), pages = pages - :id::text
     where :id::uuid = any(student_ids)`,
  ]) {
    await trx.raw(query, { id })
  }
  const names = await namesToForget(trx, id)
  for (const table of await tablesOfStudents(trx)) await trx(table).where({ student_id: id }).delete()
  await trx('student').where({ id }).delete()
  await forgetNames(trx, names)
}
