import type { Knex } from 'knex'
import type { Term } from '../../core/record/term'
import type { Reopening } from '../../core/terms/lock'
import type { ClassTeaching } from '../access/grants'
import { Refusal } from '../access/refusal'
import { batched } from './batched'
import { askPrepared } from './prepared'
import { today } from './today'

/** What every change in a class and term asks first: the term, who teaches there, and which of these students. */
export interface OpenedPlace {
  term: Term
  room: ClassTeaching
  /** What of a locked term is open again in this class today. */
  reopenings: readonly Reopening[]
  /** Of the students asked about, those who are in the class, each with the grade. */
  enrolled: ReadonlyMap<string, string>
}

/** A term as JSON, from its row. */
export const termColumns = `'id', id, 'name', name, 'yearId', year_id,
  'year', (select name from school_year where school_year.id = year_id), 'starts', starts, 'ends', ends,
  'progressDue', progress_due, 'commentsDue', comments_due, 'locks', locks`

/** The condition that a row of `teaching` holds on a day; from when and to when, both days included. */
export function teachesOn(day: string): string {
  return holdsOn('teaching', day)
}

/** The condition that a row of a table holds on a day. */
function holdsOn(table: string, day: string): string {
  const { from, to } = { from: `${table}.from_day`, to: `${table}.to_day` }
  return `(${from} is null or ${from} <= ${day}::date) and (${to} is null or ${to} >= ${day}::date)`
}

/**
 * The subjects of a class that are a specialist's today: those that somebody teaches in it, and those for which every
 * child of the class is in a group that somebody teaches.
 */
function subjectsOfSpecialists(room: string): string {
  const someoneTeaches = `subject is not null and not second_reader and ${teachesOn(':today')}`
  return `select subject from teaching where class_id = ${room} and ${someoneTeaches}
    union select taught_group.subject from enrolment as here join enrolment as there using (student_id)
      join class_room as taught_group on taught_group.id = there.class_id and taught_group.subject is not null
      where here.class_id = ${room} and here.class_id <> there.class_id
        and (here.to_day is null or here.to_day >= :today) and ${holdsOn('there', ':today')}
        and exists (select from teaching where class_id = there.class_id and ${someoneTeaches})
      group by taught_group.subject
      having count(distinct student_id) = (select count(*) from enrolment
        where class_id = ${room} and (to_day is null or to_day >= :today))`
}

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
    (select subject from class_room where id = asked.class_id) as "group",
    (select coalesce(json_agg(subject), '[]') from (${subjectsOfSpecialists('asked.class_id')}) as taught) as subjects,
    (select coalesce(json_agg(distinct grade_level), '[]') from enrolment
      where class_id = asked.class_id) as grades,
    (select coalesce(json_agg(json_build_array(student_id, grade_level)), '[]') from members_of(asked.class_id, asked.term_id, :today)
      where student_id = any(asked.students)) as enrolled,
    (select coalesce(json_agg(json_build_object('subject', subject, 'until', to_day)), '[]') from reopening
      where term_id = asked.term_id and (class_id is null or class_id = asked.class_id)
        and :today between from_day and to_day) as reopenings
  from json_to_recordset(:places) as asked (nth int, class_id uuid, term_id uuid, students uuid[])
  order by nth`

interface PlaceRow {
  term: Term | null
  room: string | null
  group: string | null
  subjects: string[]
  grades: string[]
  enrolled: [id: string, grade: string][]
  reopenings: Reopening[]
}

async function placeRows(db: Knex, places: readonly PlaceAsked[]): Promise<PlaceRow[]> {
  const asked = places.map(({ classId, termId, studentIds = [] }, nth) => ({
    nth,
    class_id: classId,
    term_id: termId,
    students: [...new Set(studentIds)],
  }))
  return askPrepared<PlaceRow>(db, 'places', placesQuery, { places: JSON.stringify(asked), today: today() })
}

const placeAmongOthers = batched(100, placeRows)

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
    reopenings: row.reopenings,
    room: { classId: place.classId, group: row.group, specialistSubjects: row.subjects, grades: row.grades },
    enrolled: new Map(row.enrolled),
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

/** A year's classes by name, each with what rights in it depend on. */
export async function loadClasses(db: Knex, yearId: string): Promise<(ClassTeaching & { name: string })[]> {
  const { rows } = await db.raw<{ rows: (ClassTeaching & { name: string })[] }>(
    `select id as "classId", name, subject as "group",
      array(${subjectsOfSpecialists('class_room.id')}) as "specialistSubjects",
      array(select distinct grade_level from enrolment where class_id = class_room.id) as grades
    from class_room where year_id = :year order by subject nulls first, name`,
    { year: yearId, today: today() },
  )
  return rows
}

/** The year that a class belongs to, and a group's subject; undefined where there is no such class. */
export async function classAndYear(
  db: Knex,
  classId: string,
): Promise<{ year_id: string; subject: string | null } | undefined> {
  return db('class_room').where({ id: classId }).first('year_id', 'subject')
}
