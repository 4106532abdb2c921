import type { Knex } from 'knex'
import type { Answer, Question } from '../../core/record/questions'
import type { StudentResult } from '../../core/record/termRecord'

/** The questions of some pieces of work, in their order. */
export async function questionsOfWorks(db: Knex, workIds: readonly string[]): Promise<Question[]> {
  const { rows } = await db.raw<{ rows: Question[] }>(
    `select work_id as "workId", number, words, skill, out_of as "outOf" from question
     where work_id = any(:ids::uuid[]) order by work_id, number`,
    { ids: [...workIds] },
  )
  return rows
}

/** What was answered in some pieces of work. */
export async function answersOfWorks(db: Knex, workIds: readonly string[]): Promise<Answer[]> {
  const { rows } = await db.raw<{ rows: Answer[] }>(
    `select work_id as "workId", number, student_id as "studentId", score from answer
     where work_id = any(:ids::uuid[]) order by work_id, student_id, number`,
    { ids: [...workIds] },
  )
  return rows
}

/** The results of some pieces of work. */
export async function resultsOfWorks(db: Knex, workIds: readonly string[]): Promise<StudentResult[]> {
  const { rows } = await db.raw<{ rows: StudentResult[] }>(
    `select work_id as "workId", student_id as "studentId", state, score, remark from result
     where work_id = any(:ids::uuid[])`,
    { ids: [...workIds] },
  )
  return rows
}
