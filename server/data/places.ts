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

const placeQuery = `
  select
    (select json_build_object('id', id, 'name', name, 'year', year, 'starts', starts, 'ends', ends,
      'commentsDue', comments_due, 'locks', locks) from term where id = :term) as term,
    (select name from class_room where id = :class) as room,
    (select coalesce(json_agg(subject), '[]') from teaching where class_id = :class and subject is not null)
      as subjects,
    (select coalesce(json_agg(student_id), '[]') from enrolment
      where class_id = :class and student_id = any(:students)) as enrolled`

/** Looks a place up, in one query. @throws Refusal when there is no such class or term */
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

/** All terms, oldest first. */
export async function loadTerms(db: Knex): Promise<Term[]> {
  const rows = await db('term').orderBy('starts')
  return rows.map(({ comments_due: commentsDue, ...term }) => ({ ...term, commentsDue }))
}

/** One term, as undoing looks at it. @throws Refusal when there is no such term */
export async function loadTerm(db: Knex, termId: string): Promise<Term> {
  const row = await db('term').where({ id: termId }).first()
  if (!row) throw new Refusal('not found', 'There is no such term.')
  const { comments_due: commentsDue, ...term } = row
  return { ...term, commentsDue }
}

/** The subjects of each class that specialists have there, and all classes by name. */
export async function loadClasses(db: Knex): Promise<{ id: string; name: string; specialistSubjects: string[] }[]> {
  const { rows } = await db.raw<{ rows: { id: string; name: string; specialistSubjects: string[] }[] }>(`
    select class_room.id, class_room.name,
      coalesce(array_agg(teaching.subject) filter (where teaching.subject is not null), '{}') as "specialistSubjects"
    from class_room left join teaching on teaching.class_id = class_room.id
    group by class_room.id order by class_room.name`)
  return rows
}
