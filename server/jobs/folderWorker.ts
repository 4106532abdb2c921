import { parentPort } from 'node:worker_threads'
import type { FolderLook } from '../../contracts/schoolFolder'
import { Refusal } from '../access/refusal'
import { database } from '../data/database'
import { takeFolder, type FolderOrder } from '../services/schoolFolder'

export type FolderAnswer =
  { look: FolderLook } | { refused: { kind: Refusal['kind']; message: string } } | { broken: string; code: string }

// A school's folder is unpacked, read and taken in here, beside the thread that answers everybody.
parentPort?.on('message', (order: FolderOrder) => {
  void answer(order).then((found) => parentPort?.postMessage(found))
})

async function answer(order: FolderOrder): Promise<FolderAnswer> {
  try {
    return { look: await takeFolder(database(), order) }
  } catch (error) {
    if (error instanceof Refusal) return { refused: { kind: error.kind, message: error.message } }
    const code = error instanceof Error && 'code' in error ? String(error.code) : ''
    return { broken: error instanceof Error ? (error.stack ?? error.message) : String(error), code }
  }
}
