import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Worker } from 'node:worker_threads'

/**
 * Starts a thread beside the one that answers everybody.
 * @param source the worker's file, seen from the project's folder: the process runs there (scripts/processes.mjs), and
 * so the built server finds the source
 */
export function startWorker(source: string, mostMegabytes: number): Worker {
  const made = new Worker(resolve('server/reading/workerStart.mjs'), {
    execArgv: [],
    workerData: pathToFileURL(resolve(source)).href,
    resourceLimits: { maxOldGenerationSizeMb: mostMegabytes },
  })
  made.unref()
  return made
}
