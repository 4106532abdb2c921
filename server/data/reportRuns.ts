import type { Knex } from 'knex'
import type { ReportDocument } from '../../core/reports/document'
import type { RunRow } from './tables'

/** Asks for a run, with what it is to print: composed now, and kept so. */
export async function askForRun(
  trx: Knex.Transaction,
  run: Pick<RunRow, 'class_id' | 'term_id' | 'person_id' | 'student_ids' | 'title'>,
  documents: Iterable<{ position: number; student_id: string | null; document: ReportDocument }>,
): Promise<RunRow> {
  const [made] = await trx('report_run')
    .insert({ ...run, state: 'waiting' })
    .returning('*')
  if (!made) throw new Error('The database kept no run.')
  const rows = [...documents].map((each) => ({
    ...each,
    run_id: made.id,
    document: JSON.stringify(each.document),
  }))
  await trx.batchInsert('report_document', rows, 100)
  return made
}

/** The last runs of reports of a class and term, newest first. */
export async function lastRuns(db: Knex, { classId, termId }: { classId: string; termId: string }): Promise<RunRow[]> {
  return db('report_run')
    .where({ class_id: classId, term_id: termId, title: null })
    .orderBy('asked_at', 'desc')
    .limit(10)
}

export async function loadRun(db: Knex, runId: string): Promise<RunRow | undefined> {
  return db('report_run').where({ id: runId }).first()
}

/** How many runs of somebody are not finished. */
export async function countWaiting(db: Knex, personId: string): Promise<number> {
  const waiting = db('report_run').where({ person_id: personId }).whereIn('state', ['waiting', 'setting'])
  return Number((await waiting.count('id as count').first<{ count: string }>()).count)
}

/** Stops a run that is not finished. */
export async function stopWaiting(db: Knex, runId: string): Promise<void> {
  await db('report_run')
    .where({ id: runId })
    .whereIn('state', ['waiting', 'setting'])
    .update({ state: 'stopped', finished_at: db.fn.now() as never })
}

/** The PDF of a finished run. */
export async function loadRunFile(db: Knex, runId: string): Promise<{ name: string; bytes: Buffer } | undefined> {
  return db('report_file').where({ run_id: runId }).first()
}
