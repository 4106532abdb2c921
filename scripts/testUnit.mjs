import { spawnSync } from 'node:child_process'
import { needModules } from './packages.mjs'

// The core's unit tests alone, in seconds: no database, no browser. Works on a fresh clone.
needModules()
const inherit = { stdio: 'inherit' }
const prepared = spawnSync('npx', ['nuxt', 'prepare'], { stdio: ['ignore', 'ignore', 'inherit'] })
const { status } =
  prepared.status === 0
    ? spawnSync('npx', ['vitest', 'run', '--project', 'unit', '--project', 'app'], inherit)
    : prepared
process.exit(status ?? 1)
