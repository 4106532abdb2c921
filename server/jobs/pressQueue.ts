import PgBoss from 'pg-boss'
import { databaseUrl } from '../data/database'

/** The queue between the web and the press. A job names its run; everything else is in the database. */
export const pressQueue = 'set-reports'

export interface PressJob {
  runId: string
}

let sender: Promise<PgBoss> | null = null

/** Puts a run before the press. */
export async function putBeforePress(runId: string): Promise<void> {
  sender ??= startBoss({ supervise: false, schedule: false }).catch((error: unknown) => {
    sender = null
    throw error
  })
  const job: PressJob = { runId }
  await (await sender).send(pressQueue, job, { retryLimit: 2, expireInHours: 1 })
}

/** Connects to the queue and makes sure that it exists. Errors of the connection are told, and it goes on trying. */
export async function startBoss(options: { supervise: boolean; schedule: boolean }): Promise<PgBoss> {
  const boss = new PgBoss({ connectionString: databaseUrl(), max: 3, ...options })
  boss.on('error', (error) => console.error(`The queue: ${error.message}`))
  await boss.start()
  await boss.createQueue(pressQueue)
  return boss
}
