import type { Knex } from 'knex'
import type { Attendance } from '../../core/record/observations'
import type { RegisterDay } from '../../core/record/register'

/** The register of some children from one day to another, both included. */
export async function registerOf(
  db: Knex,
  studentIds: readonly string[],
  { from, to }: { from: string; to: string },
): Promise<RegisterDay[]> {
  const { rows } = await db.raw<{ rows: RegisterDay[] }>(
    `select student_id as "studentId", day, presence from register_day
     where student_id = any(:ids::uuid[]) and day between :from and :to order by day`,
    { ids: [...studentIds], from, to },
  )
  return rows
}

/** The attendance of some children in a term. */
export async function attendanceOf(db: Knex, studentIds: readonly string[], termId: string): Promise<Attendance[]> {
  const rows = await db('attendance')
    .where({ term_id: termId })
    .whereIn('student_id', [...studentIds])
  return rows.map(({ student_id: studentId, days_open: daysOpen, absences, lates }) => ({
    studentId,
    daysOpen,
    absences,
    lates,
  }))
}

/** Who is in a class in a term, each with the grade. */
export async function childrenOf(
  db: Knex,
  { classId, termId }: { classId: string; termId: string },
  today: string,
): Promise<{ id: string; grade: string }[]> {
  const { rows } = await db.raw<{ rows: { id: string; grade: string }[] }>(
    `select student_id as id, grade_level as grade from members_of(:class, :term, :today)`,
    { class: classId, term: termId, today },
  )
  return rows
}
