import type { Knex } from 'knex'
import type { Term } from '../../core/record/term'
import type { ClassTeaching } from '../access/grants'
import { Refusal } from '../access/refusal'
import { gathered } from './gathered'

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

/** A place that is looked up, with the students who are asked about. */
export interface PlaceAsked {
  classId: string
  termId: string
  studentIds?: readonly string[]
}

const placesQuery = `
  select
    (select json_build_object(${termColumns}) from term where id = asked.term_id
      and year_id = (select year_id from class_room where id = asked.class_id)) as term,
    (select name from class_room where id = asked.class_id) as room,
    (select coalesce(json_agg(subject), '[]') from teaching
      where class_id = asked.class_id and subject is not null) as subjects,
    (select coalesce(json_agg(student_id), '[]') from enrolment
      where class_id = asked.class_id and student_id = any(asked.students)) as enrolled
  from json_to_recordset(?) as asked (nth int, class_id uuid, term_id uuid, students uuid[])
  order by nth`

interface PlaceRow {
  term: Term | null
  room: string | null
  subjects: string[]
  enrolled: string[]
}

async function placeRows(db: Knex, places: readonly PlaceAsked[]): Promise<PlaceRow[]> {
  const asked = places.map(({ classId, termId, studentIds = [] }, nth) => ({
    nth,
    class_id: classId,
    term_id: termId,
    students: [...new Set(studentIds)],
  }))
  return (await db.raw<{ rows: PlaceRow[] }>(placesQuery, [JSON.stringify(asked)])).rows
}

const placeAmongOthers = gathered(100, placeRows)

/**
 * Looks a place up; those that are looked up at the same time are, in one query.
 * @throws Refusal when there is no such class, or no such term in its year
 */
export async function loadPlace(db: Knex, place: PlaceAsked): Promise<OpenedPlace> {
  // Inside a transaction a place is looked up with it, not beside it.
  const [row] = db.isTransaction ? await placeRows(db, [place]) : [await placeAmongOthers(db, place)]
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
