import { spawnSync } from 'node:child_process'
import { needModules, programArguments } from './packages.mjs'

// Runs a script on the database that DATABASE_URL names, or on Facunda's own cluster: node scripts/withCluster.mjs FILE
const [file, ...args] = process.argv.slice(2)
needModules()
const { startCluster } = await import('./cluster.mjs')
const cluster = process.env.DATABASE_URL ? null : await startCluster('.facunda/cluster')
const { status } = spawnSync(process.execPath, [...programArguments(file), ...args], {
  stdio: 'inherit',
  env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? cluster.url('facunda') },
})
if (cluster?.startedHere) cluster.stop()
process.exit(status ?? 1)
