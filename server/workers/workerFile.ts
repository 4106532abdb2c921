import { existsSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

/**
 * Where a worker of ours is: beside the built program (scripts/build.mjs), or as its source, which then is started by a
 * file that knows how TypeScript is read.
 * @param source the worker's file, seen from the project's folder
 * @param starter the file that starts a source
 */
export function workerFile(
  source: string,
  starter = 'server/workers/sourceWorker.mjs',
): { filename: string; workerData: string } {
  const name = source.replace(/^.*\//, '').replace(/\.ts$/, '.mjs')
  const built = resolve(dirname(process.argv[1] ?? ''), '../programs', name)
  return existsSync(built)
    ? { filename: built, workerData: '' }
    : { filename: resolve(starter), workerData: pathToFileURL(resolve(source)).href }
}
