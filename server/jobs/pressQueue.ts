import PgBoss from 'pg-boss'
import { database, databaseUrl } from '../data/database'

/** The queue between the web and the press. A job says that there is a run to set; which, the database knows. */
export const pressQueue = 'set-reports'

let sender: Promise<PgBoss> | null = null

/** Tells the press of a run. Uses the process's own connections: the queue needs none of its own to send. */
export async function tellPress(): Promise<void> {
  sender ??= startSender().catch((error: unknown) => {
    sender = null
    throw error
  })
  await (await sender).send(pressQueue, {}, { retryLimit: 2, expireInHours: 1 })
}

async function startSender(): Promise<PgBoss> {
  const executeSql = async (text: string, values: unknown[]): Promise<{ rows: unknown[] }> => {
    const connection = (await database().client.acquireConnection()) as {
      query: (text: string, values: unknown[]) => Promise<{ rows: unknown[] }>
    }
    try {
      return await connection.query(text, values)
    } finally {
      await database().client.releaseConnection(connection)
    }
  }
  const boss = new PgBoss({ db: { executeSql } as never, supervise: false, schedule: false })
  return begun(boss)
}

/** Connects to the queue to work on it. Errors of the connection are told, and it goes on trying. */
export async function startBoss(): Promise<PgBoss> {
  return begun(new PgBoss({ connectionString: databaseUrl(), max: 2, supervise: true, schedule: false }))
}

async function begun(boss: PgBoss): Promise<PgBoss> {
  boss.on('error', (error) => console.error(`The queue: ${error.message}`))
  await boss.start()
  await boss.createQueue(pressQueue)
  return boss
}
