import { PassThrough } from 'node:stream'
import { parentPort } from 'node:worker_threads'
import type { ReportDocument } from '../core/reports/document'
import { setReports } from './pdf/setReports'

/** What the worker is given: reports as they were composed when the run was asked for. */
export interface PressOrder {
  documents: ReportDocument[]
  title: string
  /** ISO date and time. */
  madeAt: string
}

export type PressNews =
  | { kind: 'set'; done: number }
  | { kind: 'bytes'; bytes: Uint8Array }
  | { kind: 'finished'; pages: Record<string, number> }
  | { kind: 'failed'; message: string }

// Setting type is heavy: it runs here, beside the press's main thread, which stays free for the queue.
parentPort?.on('message', (order: PressOrder) => {
  set(order).catch((error: unknown) =>
    tell({ kind: 'failed', message: error instanceof Error ? error.message : String(error) }),
  )
})

async function set(order: PressOrder): Promise<void> {
  const out = new PassThrough()
  out.on('data', (bytes: Buffer) => tell({ kind: 'bytes', bytes: new Uint8Array(bytes) }))
  const pages = await setReports(order.documents, out, {
    title: order.title,
    language: 'en-GB',
    madeAt: new Date(order.madeAt),
    onReport: (done) => {
      tell({ kind: 'set', done })
      return true
    },
  })
  tell({ kind: 'finished', pages: Object.fromEntries(pages) })
}

function tell(news: PressNews): void {
  parentPort?.postMessage(news)
}
