import type { Knex } from 'knex'
import type { Category } from '../../core/marks/work'
import type { StudentResult } from '../../core/record/termRecord'

/** A piece of work as far as changing its results asks. */
export interface WorkAt {
  id: string
  subject: string
  outOf: number
}

/** Those of some pieces of work that belong to a class and term. */
export async function worksAt(
  db: Knex,
  { classId, termId }: { classId: string; termId: string },
  ids: readonly string[],
): Promise<WorkAt[]> {
  const { rows } = await db.raw<{ rows: WorkAt[] }>(
    `select id, subject, out_of as "outOf" from work
     where class_id = :class and term_id = :term and id = any(:ids::uuid[])`,
    { class: classId, term: termId, ids: [...ids] },
  )
  return rows
}

/** The subject of each piece of work of a class in a term. */
export async function subjectsOfWork(
  db: Knex,
  { classId, termId }: { classId: string; termId: string },
): Promise<Map<string, string>> {
  const works = await db('work').where({ class_id: classId, term_id: termId }).select('id', 'subject')
  return new Map(works.map(({ id, subject }) => [id, subject]))
}

/** The results of a piece of work, by student. */
export async function resultsOfWork(db: Knex, workId: string): Promise<Omit<StudentResult, 'workId'>[]> {
  const { rows } = await db.raw<{ rows: Omit<StudentResult, 'workId'>[] }>(
    `select student_id as "studentId", state, score, remark from result where work_id = ?`,
    [workId],
  )
  return rows
}

/** The categories of a subject in a class. */
export async function categoriesAt(
  db: Knex,
  { classId, subject }: { classId: string; subject: string },
): Promise<Category[]> {
  return db('category')
    .where({ class_id: classId, subject })
    .orderBy('key')
    .select('key', 'name', 'weight', 'is_exam as isExam')
}
