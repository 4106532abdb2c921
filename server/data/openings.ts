import type { Knex } from 'knex'
import type { Opening, RightsAnswer } from '../../contracts/privacy'
import { batched } from './batched'
import { today } from './today'

/**
 * Notes that somebody opened a class in a term today. A class's record holds all of its students, so who opened the
 * class has opened each of them.
 */
export async function noteOpening(db: Knex, opened: OpenedClass): Promise<void> {
  await noteAmongOthers(db, opened)
}

interface OpenedClass {
  personId: string
  classId: string
  termId: string
}

const noteAmongOthers = batched<OpenedClass, true>(100, async (db, opened) => {
  await db.raw(
    `insert into opening (person_id, class_id, term_id, day, times)
     select person, class, term, :day, count(*)
     from json_to_recordset(:opened) as o (person uuid, class uuid, term uuid) group by 1, 2, 3 order by 1, 2, 3
     on conflict (person_id, class_id, term_id, day)
     do update set times = opening.times + excluded.times, last_at = now()`,
    {
      day: today(),
      opened: JSON.stringify(
        opened.map(({ personId, classId, termId }) => ({ person: personId, class: classId, term: termId })),
      ),
    },
  )
  return opened.map(() => true)
})

/** Who opened a child's classes while the child was in them, newest first. */
export async function loadOpenings(db: Knex, studentId: string): Promise<Opening[]> {
  const { rows } = await db.raw<{ rows: Opening[] }>(
    `select opening.day, trim(given_name || ' ' || family_name) as by, class_room.name as "className",
       term.name as term, times
     from opening join enrolment using (class_id) join person on person.id = person_id
       join class_room on class_room.id = class_id join term on term.id = term_id
     where student_id = ? and (from_day is null or from_day <= day)
     order by day desc, by limit 2000`,
    [studentId],
  )
  return rows
}

/** That children were erased: when, by whom and why, newest first; which child is not kept. */
export async function loadErasures(db: Knex): Promise<RightsAnswer['erasures']> {
  const { rows } = await db.raw<{ rows: RightsAnswer['erasures'] }>(
    `select at::date as day, trim(given_name || ' ' || family_name) as by, reason
     from erasure join person on person.id = person_id order by at desc`,
  )
  return rows
}

/** That a child was erased, by whom and why; which child is not kept. */
export async function noteErasure(
  trx: Knex.Transaction,
  { personId, reason }: { personId: string; reason: string },
): Promise<void> {
  await trx('erasure').insert({ person_id: personId, reason })
}
