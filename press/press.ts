import { database } from '../server/data/database'
import { pressQueue, startBoss } from '../server/jobs/pressQueue'
import {
  claimNext,
  failRun,
  keepRun,
  loadDocuments,
  noteProgress,
  runName,
  takeUpOrphans,
} from '../server/data/pressRuns'
import type { RunRow } from '../server/data/tables'
import { letGo } from '../server/data/retention'
import { setInThread, settingThread } from './settingThread'

/**
 * The press: takes runs from the queue, sets them in a worker thread and keeps the PDF in the database. As many
 * presses as wanted may work on one queue; what one leaves behind when it dies, another takes up.
 */
const db = database()
settingThread()
const boss = await startBoss()
await boss.work(pressQueue, { pollingIntervalSeconds: 0.5 }, () => {
  goOn()
  return Promise.resolve()
})

/** Seconds between two looks for runs whose press died. */
const lookEvery = 10
const looking = setInterval(() => {
  takeUpOrphans(db).then(goOn).catch(tell)
}, lookEvery * 1000)

/** Hours between two looks for what the school keeps no longer. */
const letGoEvery = 1
const lettingGo = setInterval(() => {
  letGo(db).catch(tell)
}, letGoEvery * 3_600_000)
letGo(db).catch(tell)

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop())

/** Whether runs are being set, and whether somebody has told of another meanwhile. */
let working = false
let again = false

/** Sets one run after the other until none waits. */
function goOn(): void {
  again = true
  if (working) return
  working = true
  setAll()
    .catch(tell)
    .finally(() => {
      working = false
    })
}

async function setAll(): Promise<void> {
  while (again) {
    again = false
    for (let run = await claimNext(db); run; run = await claimNext(db)) await setRun(run)
  }
}

async function setRun(run: RunRow): Promise<void> {
  try {
    const { title, fileName } = await runName(db, run)
    const documents = await loadDocuments(db, run.id)
    const order = { documents, title, madeAt: run.asked_at.toISOString() }
    const made = await setInThread(order, (done) => noteProgress(db, run.id, done))
    if (made) await keepRun(db, run.id, fileName, made)
  } catch (error) {
    tell(error)
    // Where the database is gone this fails too: then the run is taken up again when its heart stands still.
    await failRun(db, run.id, error instanceof Error ? error.message : String(error)).catch(tell)
  }
}

function tell(error: unknown): void {
  console.error(`The press: ${error instanceof Error ? error.message : String(error)}`)
}

async function stop(): Promise<void> {
  clearInterval(looking)
  clearInterval(lettingGo)
  await boss.stop({ graceful: true, timeout: 5000 })
  await db.destroy()
  process.exit(0)
}
