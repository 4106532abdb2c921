import { database } from '../data/database'
import { JsonText } from '../data/jsonText'
import { keepCalendar, type Calendar } from '../data/today'
import { Refusal } from '../access/refusal'
import type { Context } from '../services/context'
import { applyFile, bringFile, planFile } from '../services/gather'
import { takeFolder } from '../services/schoolFolder'

/** Services that read a whole file or go through a whole gradebook: they are done beside whoever answers everybody. */
export const workerServices = { bringFile, planFile, applyFile, takeFolder }
export type WorkerServices = typeof workerServices

/** What a service is asked: all but the database, of which the worker has connections of its own. */
export interface WorkerTask {
  readonly service: keyof WorkerServices
  readonly context: Omit<Context, 'db'>
  readonly calendar: Calendar
  readonly rest: readonly unknown[]
}

/** What came of it, as it crosses between threads. */
export type WorkerOutcome =
  | { readonly json: string }
  | { readonly refused: { kind: Refusal['kind']; message: string; details: object | null } }
  | { readonly broken: Readonly<Record<string, string>> }

/** Does a service in the thread that this runs in. */
export default async function runTask({ service, context, calendar, rest }: WorkerTask): Promise<WorkerOutcome> {
  keepCalendar(calendar)
  const work = workerServices[service] as (context: Context, ...rest: readonly unknown[]) => Promise<unknown>
  try {
    const answer = await work({ ...context, db: database() }, ...rest)
    return { json: answer instanceof JsonText ? answer.text : JSON.stringify(answer) }
  } catch (error) {
    if (error instanceof Refusal) {
      const { kind, message, details } = error
      return { refused: { kind, message, details } }
    }
    return { broken: toldOf(error) }
  }
}

/** What is told of an error that is none of ours: the database's code is read where refusals are put into words. */
function toldOf(error: unknown): Record<string, string> {
  if (!(error instanceof Error)) return { message: String(error) }
  const more = Object.entries(error).filter(([, value]) => typeof value === 'string') as [string, string][]
  return { ...Object.fromEntries(more), name: error.name, message: error.message, stack: error.stack ?? '' }
}
