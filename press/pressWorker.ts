import { PassThrough } from 'node:stream'
import { parentPort, workerData } from 'node:worker_threads'
import type { ClassRecord } from '../core/record/classRecord'
import { indexRecord } from '../core/record/recordIndex'
import { composeReport } from '../core/reports/composeReport'
import { setReports } from './setReports'

/** What the worker is given: a class's record and whose reports to make. */
export interface PressOrder {
  record: ClassRecord
  studentIds: string[]
  /** ISO date and time. */
  madeAt: string
}

export type PressNews =
  | { kind: 'set'; done: number }
  | { kind: 'bytes'; bytes: Uint8Array }
  | { kind: 'finished'; pages: Record<string, number> }

// Setting type is heavy: it runs here, beside the press's main thread, which stays free for the queue.
const order = workerData as PressOrder
const index = indexRecord(order.record)
const out = new PassThrough()
out.on('data', (bytes: Buffer) => tell({ kind: 'bytes', bytes: new Uint8Array(bytes) }))

const wanted = new Set(order.studentIds)
const students = order.record.students.filter((student) => wanted.has(student.id))
const { layout, classRoom, term } = order.record
const pages = await setReports(reports(), out, {
  title: `${layout.title}s: ${classRoom.name}, ${term.name} ${term.year}`,
  language: 'en-GB',
  madeAt: new Date(order.madeAt),
  onReport: (done) => {
    tell({ kind: 'set', done })
    return true
  },
})
tell({ kind: 'finished', pages: Object.fromEntries(pages) })

function* reports(): Generator<ReturnType<typeof composeReport>> {
  for (const student of students) yield composeReport(index, student, order.madeAt.slice(0, 10))
}

function tell(news: PressNews): void {
  parentPort?.postMessage(news)
}
