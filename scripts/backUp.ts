import { execFileSync } from 'node:child_process'
import { databaseUrl } from '../server/data/database'
import { newestVersion, postgresPrograms } from './packages.mjs'

// Writes the whole database into one file: npm run backup -- FILE. Address: DATABASE_URL, or Facunda's own cluster.
const [file] = process.argv.slice(2)
if (file === undefined) {
  console.error('Say where to: npm run backup -- FILE')
  process.exit(1)
}
const programs = postgresPrograms(newestVersion() ?? '')
execFileSync(`${programs}/pg_dump`, ['--format=custom', `--file=${file}`, databaseUrl()], { stdio: 'inherit' })
console.log(`Everything is in ${file}.`)
