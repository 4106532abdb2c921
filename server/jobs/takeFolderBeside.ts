import type { FolderLook } from '../../contracts/schoolFolder'
import { Refusal } from '../access/refusal'
import { startWorker } from '../reading/startWorker'
import type { FolderOrder } from '../services/schoolFolder'
import type { FolderAnswer } from './folderWorker'

/** A folder that takes longer than this, or more memory, is given up. */
const mostSeconds = 300
const mostMegabytes = 1500

let underWay = false

/**
 * Looks at a school folder or takes it in, in a thread of its own, one at a time. What a thread that is given up has
 * begun is undone by the database.
 * @throws Refusal
 */
export async function takeFolderBeside(order: FolderOrder): Promise<FolderLook> {
  if (underWay) throw new Refusal('conflict', 'Another folder is being read just now. Try again in a minute.')
  underWay = true
  const worker = startWorker('server/jobs/folderWorker.ts', mostMegabytes)
  try {
    const answer = await new Promise<FolderAnswer>((done, failed) => {
      const late = new Refusal('too large', 'The folder took too long to read. Nothing was taken in.')
      setTimeout(() => failed(late), mostSeconds * 1000).unref()
      worker.on('message', done)
      worker.on('error', () =>
        failed(new Refusal('too large', 'The folder needs more memory than there is. Nothing was taken in.')),
      )
      worker.postMessage(order)
    })
    if ('look' in answer) return answer.look
    if ('refused' in answer) throw new Refusal(answer.refused.kind, answer.refused.message)
    // What the database would not take is told in words, as for any other change (http/refusals.ts).
    throw Object.assign(new Error(answer.broken), { code: answer.code })
  } finally {
    await worker.terminate()
    underWay = false
  }
}
