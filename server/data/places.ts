import type { Knex } from 'knex'
import type { Term } from '../../core/record/term'
import type { ClassTeaching } from '../access/grants'
import { Refusal } from '../access/refusal'

/** What every change in a class and term asks first: the term, who teaches there, and which of these students. */
export interface OpenedPlace {
  term: Term
  room: ClassTeaching
  /** Of the students asked about, those who are in the class. */
  enrolled: ReadonlySet<string>
}

/** A term as JSON, from its row. */
export const termColumns = `'id', id, 'name', name, 'yearId', year_id,
  'year', (select name from school_year where school_year.id = year_id), 'starts', starts, 'ends', ends,
  'commentsDue', comments_due, 'locks', locks`

const placeQuery = `
  select
    (select json_build_object(${termColumns}) from term where id = :term
      and year_id = (select year_id from class_room where id = :class)) as term,
    (select name from class_room where id = :class) as room,
    (select coalesce(json_agg(subject), '[]') from teaching where class_id = :class and subject is not null)
      as subjects,
    (select coalesce(json_agg(student_id), '[]') from enrolment
      where class_id = :class and student_id = any(:students)) as enrolled`

/** Looks a place up, in one query. @throws Refusal when there is no such class, or no such term in its year */
export async function loadPlace(
  db: Knex,
  place: { classId: string; termId: string },
  studentIds: readonly string[] = [],
): Promise<OpenedPlace> {
  const { rows } = await db.raw<{
    rows: { term: Term | null; room: string | null; subjects: string[]; enrolled: string[] }[]
  }>(placeQuery, { class: place.classId, term: place.termId, students: [...new Set(studentIds)] })
  const [row] = rows
  if (!row?.room) throw new Refusal('not found', 'There is no such class.')
  if (!row.term) throw new Refusal('not found', 'There is no such term.')
  return {
    term: row.term,
    room: { classId: place.classId, specialistSubjects: row.subjects },
    enrolled: new Set(row.enrolled),
  }
}

/** The terms of a year, oldest first. */
export async function loadTerms(db: Knex, yearId: string): Promise<Term[]> {
  const { rows } = await db.raw<{ rows: { term: Term }[] }>(
    `select json_build_object(${termColumns}) as term from term where year_id = ? order by starts`,
    [yearId],
  )
  return rows.map((row) => row.term)
}

/** One term, as undoing looks at it. @throws Refusal when there is no such term */
export async function loadTerm(db: Knex, termId: string): Promise<Term> {
  const { rows } = await db.raw<{ rows: { term: Term }[] }>(
    `select json_build_object(${termColumns}) as term from term where id = ?`,
    [termId],
  )
  if (!rows[0]) throw new Refusal('not found', 'There is no such term.')
  return rows[0].term
}

/** The subjects of each class of a year that specialists have there, and all its classes by name. */
export async function loadClasses(
  db: Knex,
  yearId: string,
): Promise<{ id: string; name: string; specialistSubjects: string[] }[]> {
  const { rows } = await db.raw<{ rows: { id: string; name: string; specialistSubjects: string[] }[] }>(
    `select class_room.id, class_room.name,
      coalesce(array_agg(teaching.subject) filter (where teaching.subject is not null), '{}') as "specialistSubjects"
    from class_room left join teaching on teaching.class_id = class_room.id
    where year_id = ? group by class_room.id order by class_room.name`,
    [yearId],
  )
  return rows
}
