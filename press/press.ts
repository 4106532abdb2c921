import { Worker } from 'node:worker_threads'
import { database } from '../server/data/database'
import { pressQueue, putBeforePress, startBoss, type PressJob } from '../server/jobs/pressQueue'
import type { PressNews, PressOrder } from './pressWorker'
import { claimRun, failRun, keepRun, loadDocuments, noteProgress, runName, takeUpOrphans } from './runs'

/**
 * The press: takes runs from the queue, sets them in a worker thread and keeps the PDF in the database. As many
 * presses as wanted may work on one queue; what one leaves behind when it dies, another takes up.
 */
const db = database()
const boss = await startBoss()
await boss.work<PressJob>(pressQueue, { pollingIntervalSeconds: 0.5 }, async (jobs) => {
  for (const job of jobs) await setRun(job.data.runId)
})

/** Seconds between two looks for runs whose press died. */
const lookEvery = 10
const looking = setInterval(() => {
  takeUpOrphans(db, putBeforePress).catch(tell)
}, lookEvery * 1000)

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop())

async function setRun(runId: string): Promise<void> {
  // A run that was stopped while it waited, is finished, or is in another press's hands is left as it is.
  const run = await claimRun(db, runId)
  if (!run) return
  try {
    const { title, fileName } = await runName(db, run)
    const documents = await loadDocuments(db, runId)
    const made = await inWorker(runId, { documents, title, madeAt: run.asked_at.toISOString() })
    if (made) await keepRun(db, runId, fileName, made)
  } catch (error) {
    tell(error)
    // Where the database is gone this fails too: then the run is taken up again when its heart stands still.
    await failRun(db, runId, error instanceof Error ? error.message : String(error)).catch(tell)
  }
}

/** Sets an order in a worker thread, noting progress. @returns null when the run was stopped meanwhile */
function inWorker(runId: string, order: PressOrder): Promise<{ bytes: Buffer; pages: Record<string, number> } | null> {
  return new Promise((resolve, reject) => {
    const chunks: Uint8Array[] = []
    const worker = new Worker(new URL('./pressWorkerStart.mjs', import.meta.url), { workerData: order, execArgv: [] })
    let done = 0
    // The heart beats also while one report takes long.
    const beat = setInterval(() => {
      noteProgress(db, runId, done)
        .then((goOn) => {
          if (goOn) return
          resolve(null)
          return worker.terminate()
        })
        .catch(tell)
    }, 400)
    worker.on('message', (news: PressNews) => {
      if (news.kind === 'bytes') chunks.push(news.bytes)
      if (news.kind === 'set') done = news.done
      if (news.kind === 'finished') resolve({ bytes: Buffer.concat(chunks), pages: news.pages })
    })
    worker.on('error', reject)
    worker.on('exit', (code) => {
      clearInterval(beat)
      reject(new Error(`the setting thread ended with ${code}`))
    })
  })
}

function tell(error: unknown): void {
  console.error(`The press: ${error instanceof Error ? error.message : String(error)}`)
}

async function stop(): Promise<void> {
  clearInterval(looking)
  await boss.stop({ graceful: true, timeout: 5000 })
  await db.destroy()
  process.exit(0)
}
