import type { Knex } from 'knex'
import { studentSelect } from '../studentColumns'
import type { BundlePeople, YearHere } from '../../../core/exchange/oneroster/planYear'
import type { BundleRow } from '../../../core/exchange/oneroster/readBundle'
import type { BundleFile } from '../../../core/exchange/oneroster/tables'
import { stagedTable } from './stagedFiles'

/** A year as a bundle is matched with it. */
export async function loadYearHere(trx: Knex.Transaction, yearId: string): Promise<YearHere> {
  const one = async <Row>(query: string): Promise<Row[]> =>
    (await trx.raw<{ rows: Row[] }>(query, { year: yearId })).rows
  return {
    terms: await one('select id, name, starts, ends from term where year_id = :year order by starts'),
    subjects: await one('select key, name from subject where year_id = :year and not retired order by position'),
    classes: await one('select id, name, subject as "group" from class_room where year_id = :year order by name'),
    students: await one(`select id, ${studentSelect} from student`),
    places: await one(
      `select class_id as "classId", student_id as "studentId" from enrolment
       join class_room on class_room.id = class_id where year_id = :year`,
    ),
  }
}

/** The staged parts of a bundle that are held whole. */
export async function loadPeople(trx: Knex.Transaction): Promise<BundlePeople> {
  const rowsOf = (file: BundleFile) => stagedRows(trx, file)
  return {
    academicSessions: await rowsOf('academicSessions'),
    courses: await rowsOf('courses'),
    classes: await rowsOf('classes'),
    users: await rowsOf('users'),
    roles: await rowsOf('roles'),
    enrollments: await rowsOf('enrollments'),
  }
}

/** The rows of a staged file, each by its headings. */
export async function stagedRows(trx: Knex.Transaction, file: BundleFile): Promise<BundleRow[]> {
  const { rows } = await trx.raw<{ rows: Record<string, string | null>[] }>(`select * from ${stagedTable(file)}`)
  return rows.map(
    (row): BundleRow =>
      (heading) =>
        row[heading.toLowerCase()]?.trim() ?? '',
  )
}
