import type { RunAnswer } from '../../contracts/answers'
import type { ClassRecord } from '../../core/record/classRecord'
import { indexRecord } from '../../core/record/recordIndex'
import { blankTableProblem, composeBlankTable, type BlankTable } from '../../core/reports/blankTable'
import { composeReport } from '../../core/reports/composeReport'
import { familyFacts } from '../../core/reports/familyFacts'
import { allow, grantsIn, type Grants } from '../access/grants'
import { Refusal } from '../access/refusal'
import { noteOpening } from '../data/openings'
import { loadPlace } from '../data/places'
import { askForRun, countWaiting, lastRuns, loadRun, loadRunFile, stopWaiting } from '../data/reportRuns'
import type { RunRow } from '../data/tables'
import { inTransaction } from '../data/transactions'
import type { Context, Place } from './context'
import { readableRecord } from './viewClass'

/**
 * Asks for reports of some students (all when none are named). They are composed now and kept so: what is changed
 * while the run waits belongs to the next one.
 */
export async function startRun(
  context: Context,
  place: Place,
  studentIds: readonly string[],
  tellPress: () => Promise<void>,
): Promise<RunAnswer> {
  allow((await grantsAt(context, place)).makesReports, 'make reports for this class')
  const record = await readableRecord(context, place)
  const wanted = record.students.filter((student) => studentIds.length === 0 || studentIds.includes(student.id))
  if (wanted.length === 0) throw new Refusal('invalid', 'Choose at least one student of this class.')
  const asked = { class_id: place.classId, term_id: place.termId, person_id: context.who.personId, title: null }
  const student_ids = wanted.map((student) => student.id)
  await requireFewWaiting(context)
  const run = await inTransaction(context.db, (trx) =>
    askForRun(trx, { ...asked, student_ids }, documents(record, wanted, context.today)),
  )
  await tellPress()
  return toAnswer(run)
}

/** Asks for a class's list with empty columns; who sees the class may print it. */
export async function startTable(
  context: Context,
  place: Place,
  table: BlankTable,
  tellPress: () => Promise<void>,
): Promise<RunAnswer> {
  allow((await grantsAt(context, place)).readsClass, 'see this class')
  const record = await readableRecord(context, place)
  const problem = blankTableProblem(table, record.layout.paper)
  if (problem !== null) throw new Refusal('invalid', problem)
  const document = composeBlankTable(record, table, context.today)
  const student_ids = record.students.map((student) => student.id)
  const asked = { class_id: place.classId, term_id: place.termId, person_id: context.who.personId, student_ids }
  await requireFewWaiting(context)
  const run = await inTransaction(context.db, (trx) =>
    askForRun(trx, { ...asked, title: document.title }, [{ position: 0, student_id: null, document }]),
  )
  await tellPress()
  return toAnswer(run)
}

/** So many runs may one person have waiting. */
const mostWaiting = 40

/** @throws Refusal when the asker has too many runs waiting */
async function requireFewWaiting({ db, who }: Context): Promise<void> {
  if ((await countWaiting(db, who.personId)) < mostWaiting) return
  throw new Refusal('too often', `${mostWaiting} runs of yours are waiting already. Stop some, or wait for them.`)
}

function* documents(record: ClassRecord, students: ClassRecord['students'], today: string) {
  const index = indexRecord(record)
  for (const [position, student] of students.entries()) {
    const document = composeReport(familyFacts(index, student), record.layout, today)
    yield { position, student_id: student.id, document }
  }
}

/** How a run stands. */
export async function viewRun(context: Context, runId: string): Promise<RunAnswer> {
  return toAnswer(await readableRun(context, runId))
}

/** The runs of a class and term, newest first. */
export async function listRuns(context: Context, place: Place): Promise<RunAnswer[]> {
  const grants = await grantsAt(context, place)
  allow(grants.readsClass, 'see this class')
  if (!grants.makesReports) return []
  return (await lastRuns(context.db, place)).map(toAnswer)
}

/** Stops a run that is not finished. What the press has in hand is given up at its next student. */
export async function stopRun(context: Context, runId: string): Promise<RunAnswer> {
  await readableRun(context, runId)
  await stopWaiting(context.db, runId)
  return viewRun(context, runId)
}

/** The PDF of a finished run. */
export async function runFile(context: Context, runId: string): Promise<{ name: string; bytes: Buffer }> {
  const run = await readableRun(context, runId)
  const file = await loadRunFile(context.db, runId)
  if (!file) throw new Refusal('not found', 'This run has no file.')
  const place = { classId: run.class_id, termId: run.term_id }
  await noteOpening(context.db, { ...place, personId: context.who.personId })
  return file
}

async function readableRun(context: Context, runId: string): Promise<RunRow> {
  const run = await loadRun(context.db, runId)
  if (!run) throw new Refusal('not found', 'There is no such run.')
  const grants = await grantsAt(context, { classId: run.class_id, termId: run.term_id })
  if (run.title === null) allow(grants.makesReports, 'see this class’s reports')
  else allow(grants.readsClass, 'see this class’s tables')
  return run
}

async function grantsAt({ db, who }: Context, place: Place): Promise<Grants> {
  return grantsIn(who, (await loadPlace(db, place)).room)
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
