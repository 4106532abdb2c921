import type { RunAnswer } from '../../contracts/answers'
import { allow, mayMakeReports, mayReadClass } from '../access/access'
import { Refusal } from '../access/refusal'
import type { Context, Place } from './context'
import { readableRecord } from './viewClass'

interface RunRow {
  id: string
  class_id: string
  term_id: string
  state: RunAnswer['state']
  student_ids: string[]
  done: number
  pages: Record<string, number> | null
  message: string | null
  asked_at: Date
}

/** Asks for reports of some students (all when none are named). `enqueue` puts the run before the press. */
export async function startRun(
  context: Context,
  place: Place,
  studentIds: readonly string[],
  enqueue: (runId: string) => Promise<void>,
): Promise<RunAnswer> {
  allow(mayMakeReports(context.who, place.classId), 'make reports for this class')
  const record = await readableRecord(context, place)
  const wanted = record.students
    .map((student) => student.id)
    .filter((id) => studentIds.length === 0 || studentIds.includes(id))
  if (wanted.length === 0) throw new Refusal('invalid', 'Choose at least one student of this class.')
  const [run] = await context
    .db<RunRow>('report_run')
    .insert({
      class_id: place.classId,
      term_id: place.termId,
      person_id: context.who.personId,
      state: 'waiting',
      student_ids: wanted,
    } as never)
    .returning('*')
  if (!run) throw new Refusal('invalid', 'The run could not be started.')
  await enqueue(run.id)
  return toAnswer(run)
}

/** How a run stands. */
export async function viewRun(context: Context, runId: string): Promise<RunAnswer> {
  return toAnswer(await readableRun(context, runId))
}

/** The runs of a class and term, newest first. */
export async function listRuns(context: Context, place: Place): Promise<RunAnswer[]> {
  allow(mayReadClass(context.who, place.classId), 'see this class')
  if (!mayMakeReports(context.who, place.classId)) return []
  const rows = await context
    .db<RunRow>('report_run')
    .where({ class_id: place.classId, term_id: place.termId })
    .orderBy('asked_at', 'desc')
    .limit(10)
  return rows.map(toAnswer)
}

/** Stops a run that is not finished. What the press has in hand is given up at its next student. */
export async function stopRun(context: Context, runId: string): Promise<RunAnswer> {
  await readableRun(context, runId)
  await context
    .db('report_run')
    .where({ id: runId })
    .whereIn('state', ['waiting', 'setting'])
    .update({ state: 'stopped', finished_at: new Date() })
  return viewRun(context, runId)
}

/** The PDF of a finished run. */
export async function runFile(context: Context, runId: string): Promise<{ name: string; bytes: Buffer }> {
  await readableRun(context, runId)
  const file = await context
    .db<{ run_id: string; name: string; bytes: Buffer }>('report_file')
    .where({ run_id: runId })
    .first()
  if (!file) throw new Refusal('not found', 'This run has no file.')
  return file
}

async function readableRun(context: Context, runId: string): Promise<RunRow> {
  const run = await context.db<RunRow>('report_run').where({ id: runId }).first()
  if (!run) throw new Refusal('not found', 'There is no such run.')
  allow(mayMakeReports(context.who, run.class_id), 'see this class’s reports')
  return run
}

function toAnswer(run: RunRow): RunAnswer {
  return {
    id: run.id,
    state: run.state,
    students: run.student_ids.length,
    done: run.done,
    pages: run.pages,
    message: run.message,
    askedAt: run.asked_at.toISOString(),
  }
}
