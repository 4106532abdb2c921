import { execFileSync } from 'node:child_process'
import { chmodSync, closeSync, openSync } from 'node:fs'
import { databaseUrl } from '../server/data/database'
import { newestVersion, postgresPrograms } from './packages.mjs'

// Writes the whole database into one file: npm run backup -- FILE. Address: DATABASE_URL, or Facunda's own cluster.
const [file] = process.argv.slice(2)
if (file === undefined) {
  console.error('Say where to: npm run backup -- FILE')
  process.exit(1)
}
// All that a school knows is in it: its owner alone may read it, from its first byte on.
closeSync(openSync(file, 'w', 0o600))
chmodSync(file, 0o600)
const programs = postgresPrograms(newestVersion() ?? '')
execFileSync(`${programs}/pg_dump`, ['--format=custom', `--file=${file}`, databaseUrl()], { stdio: 'inherit' })
console.log(`Everything is in ${file}.`)
