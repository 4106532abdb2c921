import { parentPort } from 'node:worker_threads'
import { UnreadableFile } from '../../core/exchange/problem'
import { readSheets } from '../../core/exchange/readSheets'
import type { NamedTable } from '../../core/exchange/readTable'

export interface TableOrder {
  id: number
  bytes: Uint8Array
}

export type TableAnswer = { id: number; tables: NamedTable[] } | { id: number; unreadable: string }

// Files are read here, beside the thread that answers everybody: one that takes long keeps nobody waiting.
parentPort?.on('message', ({ id, bytes }: TableOrder) => {
  parentPort?.postMessage(read(id, bytes))
})

function read(id: number, bytes: Uint8Array): TableAnswer {
  try {
    return { id, tables: readSheets(bytes) }
  } catch (error) {
    if (error instanceof UnreadableFile) return { id, unreadable: error.message }
    throw error
  }
}
