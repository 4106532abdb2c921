import type { Worker } from 'node:worker_threads'
import type { NamedTable } from '../../core/exchange/readTable'
import { Refusal } from '../access/refusal'
import { startWorker } from './startWorker'
import type { TableAnswer, TableOrder } from './tableWorker'

/** A file that takes longer than this, or more memory, is given up. */
const mostSeconds = 20
const mostMegabytes = 400

interface Waiting {
  resolve: (tables: NamedTable[]) => void
  reject: (error: Error) => void
  timer: NodeJS.Timeout
}

let worker: Worker | null = null
let nextId = 0
const waiting = new Map<number, Waiting>()

/**
 * Reads a file's bytes as its tables, in a thread of its own.
 * @throws Refusal when it cannot be read, saying why; or when reading it takes too long or too much memory
 */
export function readSheetsBeside(bytes: Uint8Array): Promise<NamedTable[]> {
  worker ??= startReader()
  const id = nextId++
  return new Promise((done, failed) => {
    const timer = setTimeout(() => void giveUp('took too long to read'), mostSeconds * 1000)
    waiting.set(id, { resolve: done, reject: failed, timer })
    const order: TableOrder = { id, bytes: new Uint8Array(bytes) }
    worker?.postMessage(order, [order.bytes.buffer as ArrayBuffer])
  })
}

function startReader(): Worker {
  const made = startWorker('server/reading/tableWorker.ts', mostMegabytes)
  made.on('message', (answer: TableAnswer) => {
    const asked = waiting.get(answer.id)
    waiting.delete(answer.id)
    clearTimeout(asked?.timer)
    if ('tables' in answer) asked?.resolve(answer.tables)
    else asked?.reject(new Refusal('invalid', answer.unreadable))
  })
  made.on('error', () => void giveUp('needs more memory than there is'))
  return made
}

/** Ends the thread, for a program that is about to end itself. */
export async function stopReading(): Promise<void> {
  const old = worker
  worker = null
  await old?.terminate()
}

/** Ends the thread; the next file gets a new one. */
async function giveUp(why: string): Promise<void> {
  const given = [...waiting.values()]
  const old = worker
  waiting.clear()
  worker = null
  for (const { reject, timer } of given) {
    clearTimeout(timer)
    reject(
      new Refusal('invalid', `The file ${why}. Is it a gradebook of one class? Save only that part and choose it.`),
    )
  }
  await old?.terminate()
}
