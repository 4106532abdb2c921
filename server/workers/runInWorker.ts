import { Piscina } from 'piscina'
import { Refusal } from '../access/refusal'
import { JsonText } from '../data/jsonText'
import { calendarKept } from '../data/today'
import type { Context } from '../services/context'
import type { WorkerTask, WorkerOutcome, WorkerServices } from './workerServices'
import { fairQueue } from './fairQueue'
import { workerFile } from './workerFile'

/** Bounds of what is done beside the main thread: each piece of work has a thread, a time and a memory of its own. */
const kinds = {
  gradebook: {
    threads: 2,
    seconds: 30,
    megabytes: 500,
    waitingOfOne: 6,
    waitingInAll: 60,
    late: 'The file took too long to read. Is it a gradebook of one class? Save only that part and choose it.',
    large:
      'The file needs more memory than there is. Is it a gradebook of one class? Save only that part and choose it.',
    tooMany: 'Very many files are being read just now. Wait a moment, then choose it again.',
  },
  folder: {
    threads: 1,
    seconds: 300,
    megabytes: 1500,
    waitingOfOne: 1,
    waitingInAll: 1,
    late: 'The folder took too long to read. Nothing was taken in.',
    large: 'The folder needs more memory than there is. Nothing was taken in.',
    tooMany: 'Another folder is being read just now. Try again in a minute.',
  },
} as const
type Kind = keyof typeof kinds

const kindOf: Readonly<Record<keyof WorkerServices, Kind>> = {
  bringFile: 'gradebook',
  planFile: 'gradebook',
  applyFile: 'gradebook',
  takeFolder: 'folder',
}

/** Milliseconds after which a thread that has nothing to do ends. */
const idleTimeout = 5 * 60_000

const made = new Map<Kind, (asker: string, order: WorkerTask) => Promise<WorkerOutcome>>()

/** The threads for a kind of work, begun when it is first wanted. */
function threadsFor(kind: Kind): (asker: string, order: WorkerTask) => Promise<WorkerOutcome> {
  const { threads, seconds, megabytes, late, large, ...bounds } = kinds[kind]
  const pool = new Piscina({
    ...workerFile('server/workers/workerServices.ts'),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout,
    execArgv: [],
    // A thread that has nothing to do hears that its database is gone, and connects anew.
    atomics: 'disabled',
    resourceLimits: { maxOldGenerationSizeMb: megabytes },
    env: { ...process.env, FACUNDA_CONNECTIONS: '2' },
  })
  // A thread that dies of something outside its work (its database goes away) is made anew when it is wanted next.
  pool.on('error', (error: unknown) => console.error(error))
  const turn = fairQueue({ ...bounds, atOnce: threads })
  return (asker, order) =>
    turn(asker, async () => {
      try {
        return (await pool.run(order, { signal: AbortSignal.timeout(seconds * 1000) })) as WorkerOutcome
      } catch (error) {
        const isLate = error instanceof Error && error.name === 'AbortError'
        const isLarge = error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY'
        if (isLate) throw new Refusal('too large', late)
        if (isLarge) throw new Refusal('too large', large)
        throw error
      }
    })
}

type Rest<S extends keyof WorkerServices> = WorkerServices[S] extends (context: never, ...rest: infer R) => unknown
  ? R
  : []

/**
 * Does a service in a thread of its own, one after the other by person. What a thread that is given up has begun is
 * undone by the database.
 * @returns what the service answers, as JSON
 * @throws Refusal
 */
export async function runInWorker<S extends keyof WorkerServices>(
  { db: _db, ...context }: Context,
  service: S,
  ...rest: Rest<S>
): Promise<JsonText> {
  const kind = kindOf[service]
  const threads = made.get(kind) ?? threadsFor(kind)
  made.set(kind, threads)
  const outcome = await threads(context.who.personId, { service, context, calendar: calendarKept(), rest })
  if ('json' in outcome) return new JsonText(outcome.json)
  if ('broken' in outcome) throw Object.assign(new Error(outcome.broken.message), outcome.broken)
  const { kind: why, message, details } = outcome.refused
  throw new Refusal(why, message, details)
}
