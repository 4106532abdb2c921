import type { Knex } from 'knex'
import type { ClassesAnswer, RosterAnswer } from '../../contracts/classes'
import type { StudentRow } from './tables'
import { today } from './today'
import { studentJson, studentOf, type StudentFields } from './studentColumns'

/** A year with its terms and classes, and how many students each class has; undefined where there is none. */
export async function loadYear(db: Knex, yearId: string): Promise<ClassesAnswer | undefined> {
  const { rows } = await db.raw<{ rows: ClassesAnswer[] }>(
    `select json_build_object('id', id, 'name', name, 'starts', starts, 'ends', ends) as year,
       (select coalesce(json_agg(json_build_object('id', id, 'name', name, 'starts', starts, 'ends', ends,
           'progressDue', progress_due, 'commentsDue', comments_due, 'locks', locks) order by starts), '[]')
         from term where year_id = school_year.id) as terms,
       (select coalesce(json_agg(json_build_object('id', id, 'name', name, 'subject', subject, 'students',
           (select count(*) from enrolment
             where class_id = class_room.id and (to_day is null or to_day >= :today)))
           order by subject nulls first, name), '[]')
         from class_room where year_id = school_year.id) as classes
     from school_year where id = :year`,
    { year: yearId, today: today() },
  )
  return rows[0]
}

/** A class's list; undefined where there is no such class in this year. */
export async function loadRoster(
  db: Knex,
  { yearId, classId }: { yearId: string; classId: string },
): Promise<RosterAnswer | undefined> {
  const { rows } = await db.raw<{ rows: RosterAnswer[] }>(
    `select name, subject, (select coalesce(json_agg(json_build_object('id', id, ${studentJson},
         'gradeLevel', grade_level, 'position', position, 'from', from_day, 'to', to_day) order by position), '[]')
       from enrolment join student on student.id = student_id where class_id = class_room.id) as students
     from class_room where id = :class and year_id = :year`,
    { class: classId, year: yearId },
  )
  return rows[0]
}

/** Whether anything was ever done in a class, so that it is on record. */
export async function isWorkedIn(db: Knex, classId: string): Promise<boolean> {
  return (await db('event').where({ class_id: classId }).first('id')) !== undefined
}

/** A student as they are known apart from any class. */
export type KnownStudent = StudentFields & { id: string }

/** Students by their school numbers. */
export async function studentsByNumber(db: Knex, numbers: readonly string[]): Promise<Map<string, KnownStudent>> {
  const rows = await db('student').whereIn('school_number', [...numbers])
  return new Map(rows.map((row) => [row.school_number, studentOf(row)]))
}

/** Those of some students who are there. */
export async function studentsById(db: Knex, ids: readonly string[]): Promise<StudentRow[]> {
  return db('student').whereIn('id', [...ids])
}
