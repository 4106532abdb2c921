import { Worker } from 'node:worker_threads'
import { workerFile } from '../server/workers/workerFile'
import type { PressNews, PressOrder } from './pressWorker'

/** What a run comes to: the PDF, and its pages by student id. */
export interface MadeRun {
  bytes: Buffer
  pages: Record<string, number>
}

/** Milliseconds between two heartbeats of a run. */
const beatEvery = 400

let thread: Worker | null = null

/**
 * The thread in which reports are set. It is started ahead and kept from run to run: reading its modules takes longer
 * than setting one report. One that has ended is not used again.
 */
export function settingThread(): Worker {
  if (thread) return thread
  const { filename } = workerFile('press/pressWorker.ts', 'press/pressWorkerStart.mjs')
  const started = new Worker(filename, { execArgv: [] })
  const forget = (): void => {
    if (thread === started) thread = null
  }
  started.on('error', forget)
  started.on('exit', forget)
  thread = started
  return started
}

/**
 * Sets an order in the thread, one at a time.
 * @param beat is called over and over with how many reports are set, also while one takes long; false gives the run up
 * @returns null when the run was given up
 */
export function setInThread(order: PressOrder, beat: (done: number) => Promise<boolean>): Promise<MadeRun | null> {
  const worker = settingThread()
  return new Promise<MadeRun | null>((resolve, reject) => {
    const chunks: Uint8Array[] = []
    let done = 0
    const beating = setInterval(() => {
      beat(done)
        .then((goOn) => {
          if (goOn) return
          finish(() => resolve(null))
          return worker.terminate()
        })
        .catch((error: unknown) =>
          console.error(`The press: ${error instanceof Error ? error.message : String(error)}`),
        )
    }, beatEvery)
    const finish = (tell: () => void): void => {
      clearInterval(beating)
      worker.off('message', onNews).off('error', onError).off('exit', onExit)
      tell()
    }
    const onNews = (news: PressNews): void => {
      if (news.kind === 'bytes') chunks.push(news.bytes)
      else if (news.kind === 'set') done = news.done
      else if (news.kind === 'finished') finish(() => resolve({ bytes: Buffer.concat(chunks), pages: news.pages }))
      else finish(() => reject(new Error(news.message)))
    }
    const onError = (error: Error): void => finish(() => reject(error))
    const onExit = (code: number): void => finish(() => reject(new Error(`the setting thread ended with ${code}`)))
    worker.on('message', onNews).on('error', onError).on('exit', onExit)
    worker.postMessage(order)
  })
}
