import type { Knex } from 'knex'
import { reportDocumentSchema, type ReportDocument } from '../../core/reports/document'
import { loadTerm } from './places'
import type { RunRow } from './tables'

/** A press that has not been heard of for so long is taken to be dead. */
const deadAfterSeconds = 20

/**
 * Takes a run in hand that waits: of those who have runs waiting, the one who was served longest ago comes next, so
 * that forty runs of one keep a colleague waiting for one of them.
 * @returns undefined when none waits
 */
export async function claimNext(db: Knex): Promise<RunRow | undefined> {
  const { rows } = await db.raw<{ rows: RunRow[] }>(
    `update report_run set state = 'setting', done = 0, heartbeat = now() where id = (
       select id from report_run as run where state = 'waiting'
       order by (select max(heartbeat) from report_run as served where served.person_id = run.person_id) nulls first,
         asked_at, id
       limit 1 for update skip locked)
     returning *`,
  )
  return rows[0]
}

/** Lets runs wait again whose press died. */
export async function takeUpOrphans(db: Knex): Promise<void> {
  await db('report_run')
    .where({ state: 'setting' })
    .whereRaw(`coalesce(heartbeat, asked_at) < now() - make_interval(secs => ?)`, [deadAfterSeconds])
    .update({ state: 'waiting', done: 0 })
}

/** Notes how far a run is and that it is alive. @returns false when it was stopped */
export async function noteProgress(db: Knex, runId: string, done: number): Promise<boolean> {
  return (
    (await db('report_run')
      .where({ id: runId, state: 'setting' })
      .update({ done, heartbeat: db.fn.now() as never })) === 1
  )
}

/** Keeps what was set, unless the run was stopped meanwhile. */
export async function keepRun(
  db: Knex,
  runId: string,
  name: string,
  { bytes, pages }: { bytes: Buffer; pages: Record<string, number> },
): Promise<void> {
  await db.transaction(async (trx) => {
    const finished = await trx('report_run')
      .where({ id: runId, state: 'setting' })
      .update({
        state: 'finished',
        finished_at: db.fn.now() as never,
        done: Object.keys(pages).length,
        pages: JSON.stringify(pages),
      })
    if (finished === 1) await trx('report_file').insert({ run_id: runId, name, bytes })
  })
}

/** Says why a run failed. */
export async function failRun(db: Knex, runId: string, why: string): Promise<void> {
  await db('report_run')
    .where({ id: runId, state: 'setting' })
    .update({
      state: 'failed',
      finished_at: db.fn.now() as never,
      message: `This could not be set (${why}). Nothing else was changed.`,
    })
}

/** The reports of a run as they were when it was asked for, in their order. */
export async function loadDocuments(db: Knex, runId: string): Promise<ReportDocument[]> {
  const rows = await db('report_document').where({ run_id: runId }).orderBy('position')
  return rows.map((row) => reportDocumentSchema.parse(row.document))
}

/** What a run's file is called, and its title. */
export async function runName(db: Knex, run: RunRow): Promise<{ title: string; fileName: string }> {
  const room = await db('class_room').where({ id: run.class_id }).first()
  const term = await loadTerm(db, run.term_id)
  if (run.title !== null) return { title: run.title, fileName: `${run.title.replace(/[/\\:]/g, '-')}.pdf` }
  const layout = await db('layout').where({ year_id: term.yearId }).orderBy('key').first()
  const what = `${layout?.definition.title ?? 'Report'}s`
  const [of, when] = [room?.name ?? '', `${term.name} ${term.year}`]
  return { title: `${what}: ${of}, ${when}`, fileName: `${what} ${of} ${when}.pdf` }
}
