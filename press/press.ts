import { database } from '../server/data/database'
import { pressQueue, putBeforePress, startBoss, type PressJob } from '../server/jobs/pressQueue'
import {
  claimRun,
  failRun,
  keepRun,
  loadDocuments,
  noteProgress,
  runName,
  takeUpOrphans,
} from '../server/data/pressRuns'
import { setInThread, settingThread } from './settingThread'

/**
 * The press: takes runs from the queue, sets them in a worker thread and keeps the PDF in the database. As many
 * presses as wanted may work on one queue; what one leaves behind when it dies, another takes up.
 */
const db = database()
settingThread()
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
    const order = { documents, title, madeAt: run.asked_at.toISOString() }
    const made = await setInThread(order, (done) => noteProgress(db, runId, done))
    if (made) await keepRun(db, runId, fileName, made)
  } catch (error) {
    tell(error)
    // Where the database is gone this fails too: then the run is taken up again when its heart stands still.
    await failRun(db, runId, error instanceof Error ? error.message : String(error)).catch(tell)
  }
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
