import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildSync } from 'esbuild'
import { webOptions } from './webOptions.mjs'

/**
 * Runs a script as the application is built and started: in one file, its functions' names not kept. A script that is
 * read as it is written takes half as long again, which nobody who uses the application waits for.
 * @returns what it printed
 * @throws Error with what it complained of
 */
export function runBuilt(script: string, args: readonly string[]): string {
  const at = mkdtempSync(join(tmpdir(), 'facunda-built-'))
  try {
    const outfile = join(at, 'built.mjs')
    buildSync({ entryPoints: [script], bundle: true, platform: 'node', format: 'esm', outfile, logLevel: 'error' })
    const { status, stdout, stderr } = spawnSync(process.execPath, [...webOptions(), outfile, ...args], {
      encoding: 'utf8',
    })
    if (status !== 0) throw new Error(stderr)
    return stdout.trim()
  } finally {
    rmSync(at, { recursive: true })
  }
}
