import type { Knex } from 'knex'
import type { ReopeningsAnswer } from '../../contracts/reopenings'

/** What was opened again in a year's locked terms, newest first, with who did it. */
export async function loadReopenings(db: Knex, yearId: string): Promise<ReopeningsAnswer['reopenings']> {
  const { rows } = await db.raw<{ rows: ReopeningsAnswer['reopenings'] }>(
    `select reopening.id, term_id as "termId", class_id as "classId", subject, from_day as "from", to_day as "to", reason,
       trim(given_name || ' ' || family_name) as "madeBy"
     from reopening join term on term.id = term_id join person on person.id = made_by
     where year_id = ? order by from_day desc, to_day desc, reopening.id`,
    [yearId],
  )
  return rows
}

/** Whether a class, where one is named, and a term are of a year. */
export async function areOfYear(
  db: Knex,
  yearId: string,
  { termId, classId }: { termId: string; classId: string | null },
): Promise<boolean> {
  const { rows } = await db.raw<{ rows: { fit: boolean }[] }>(
    `select exists (select from term where id = :termId and year_id = :yearId) and (:classId::uuid is null
       or exists (select from class_room where id = :classId and year_id = :yearId)) as fit`,
    { yearId, termId, classId },
  )
  return rows[0]?.fit ?? false
}

/** Who opened it; undefined for one that is not there yet. */
export async function madeBy(db: Knex, id: string): Promise<string | undefined> {
  const found = await db('reopening').where({ id }).first('made_by')
  return found?.made_by
}
