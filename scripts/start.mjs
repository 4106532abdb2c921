import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { needBuild, needDebianPackages, needModules, postgresql } from './packages.mjs'
import { sessionSecret } from './secrets.mjs'

// Starts Facunda: packages, modules, cluster, database, build, web and press; and keeps them running. See README.md.
const reset = process.argv.includes('--reset-demo')
const dev = process.argv.includes('--dev')
const own = process.env.DATABASE_URL
// A database of somebody's own gets the demo only when it is asked for.
const demo = process.env.FACUNDA_DEMO ? process.env.FACUNDA_DEMO === 'yes' : !own
const port = Number(process.env.PORT ?? 4173)

if (!own) needDebianPackages([postgresql])
needModules()
const { startCluster } = await import('./cluster.mjs')
const cluster = own ? null : await startCluster('.facunda/cluster')
const databaseUrl = own ?? cluster.url('facunda')

try {
  const options = [...(reset ? ['--reset'] : []), ...(demo || reset ? ['--demo'] : [])]
  execFileSync(process.execPath, ['--import', 'tsx', 'scripts/prepareDatabase.ts', ...options], {
    stdio: 'inherit',
    env: { ...process.env, DATABASE_URL: databaseUrl },
  })
} catch {
  if (cluster?.startedHere) cluster.stop()
  process.exit(1)
}
if (reset) {
  if (cluster?.startedHere) cluster.stop()
  console.log('The demo school is as it was at the beginning.')
  process.exit(0)
}
if (!dev) needBuild()

const { startProcesses, whenHealthy } = await import('./processes.mjs')
const secret = process.env.NUXT_SESSION_PASSWORD ?? sessionSecret('.facunda/session-secret')
const processes = startProcesses({ databaseUrl, port, secret, dev, quiet: !dev })
let stopping = false
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop(0))

const leaveOff = cluster?.keepUp()

await whenHealthy(port)
console.log(`Facunda: http://127.0.0.1:${port}${demo ? ` — demo sign-ins (name / password): ${demoSignIns()}` : ''}`)

async function stop(code) {
  if (stopping) return
  stopping = true
  leaveOff?.()
  await processes.stop()
  if (cluster?.startedHere) cluster.stop()
  process.exit(code)
}

function demoSignIns() {
  const [, ...rows] = readFileSync('demo/school/people.csv', 'utf8')
    .trim()
    .split('\n')
    .map((line) => line.split(','))
  return rows.map((cells) => `${cells[0]} / ${cells[4]}`).join(', ')
}
