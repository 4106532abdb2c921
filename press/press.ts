import { Worker } from 'node:worker_threads'
import type { ClassRecord } from '../core/record/classRecord'
import { database } from '../server/data/database'
import { loadClassRecord } from '../server/data/loadClassRecord'
import { pressQueue, startBoss, type PressJob } from '../server/jobs/pressQueue'
import type { PressNews, PressOrder } from './pressWorker'

/**
 * The press: takes runs from the queue, sets them in a worker thread and keeps the PDF in the database. As many
 * presses as wanted may work on one queue.
 */
const db = database()
const boss = await startBoss({ supervise: true, schedule: false })
await boss.work<PressJob>(pressQueue, { pollingIntervalSeconds: 0.5 }, async (jobs) => {
  for (const job of jobs) await setRun(job.data.runId)
})
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop())

interface RunRow {
  id: string
  class_id: string
  term_id: string
  state: string
  student_ids: string[]
}

async function setRun(runId: string): Promise<void> {
  const run = await db<RunRow>('report_run').where({ id: runId }).first()
  // A run that was stopped while it waited, or one that finished before a retry, is left as it is.
  if (!run || ['stopped', 'finished'].includes(run.state)) return
  await db('report_run').where({ id: runId }).update({ state: 'setting', done: 0 })
  try {
    const record = await loadClassRecord(db, run.class_id, run.term_id, () => true)
    const made = await inWorker(runId, { record, studentIds: run.student_ids, madeAt: new Date().toISOString() })
    if (made) await keep(runId, fileName(record), made.bytes, made.pages)
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error)
    console.error(`Run ${runId} failed: ${message}`)
    await db('report_run')
      .where({ id: runId })
      .update({
        state: 'failed',
        finished_at: new Date(),
        message: `The reports could not be set (${message}). Try again; nothing else was changed.`,
      })
  }
}

async function keep(runId: string, name: string, bytes: Buffer, pages: Record<string, number>): Promise<void> {
  await db.transaction(async (trx) => {
    const finished = await trx('report_run')
      .where({ id: runId, state: 'setting' })
      .update({
        state: 'finished',
        finished_at: new Date(),
        done: Object.keys(pages).length,
        pages: JSON.stringify(pages),
      })
    if (finished === 1) await trx('report_file').insert({ run_id: runId, name, bytes })
  })
}

/** Sets an order in a worker thread, noting progress. @returns null when the run was stopped meanwhile */
function inWorker(runId: string, order: PressOrder): Promise<{ bytes: Buffer; pages: Record<string, number> } | null> {
  return new Promise((resolve, reject) => {
    const chunks: Uint8Array[] = []
    const worker = new Worker(new URL('./pressWorkerStart.mjs', import.meta.url), { workerData: order, execArgv: [] })
    let noted = 0
    worker.on('message', (news: PressNews) => {
      if (news.kind === 'bytes') chunks.push(news.bytes)
      if (news.kind === 'finished') resolve({ bytes: Buffer.concat(chunks), pages: news.pages })
      if (news.kind === 'set' && Date.now() - noted > 250) {
        noted = Date.now()
        noteProgress(runId, news.done)
          .then((goOn) => {
            if (goOn) return
            resolve(null)
            return worker.terminate()
          })
          .catch(reject)
      }
    })
    worker.on('error', reject)
    worker.on('exit', (code) => reject(new Error(`the setting thread ended with ${code}`)))
  })
}

/** @returns false when the run was stopped */
async function noteProgress(runId: string, done: number): Promise<boolean> {
  return (await db('report_run').where({ id: runId, state: 'setting' }).update({ done })) === 1
}

function fileName(record: ClassRecord): string {
  return `${record.layout.title}s ${record.classRoom.name} ${record.term.name} ${record.term.year}.pdf`
}

async function stop(): Promise<void> {
  await boss.stop({ graceful: true, timeout: 5000 })
  await db.destroy()
  process.exit(0)
}
