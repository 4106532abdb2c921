import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { needBuild, needDebianPackages, needModules, postgresql } from './packages.mjs'
import { sessionSecret } from './secrets.mjs'

// Starts Facunda: packages, modules, cluster, database, build, web and press. See README.md.
const reset = process.argv.includes('--reset-demo')
const dev = process.argv.includes('--dev')
const own = process.env.DATABASE_URL
const port = Number(process.env.PORT ?? 4173)

if (!own) needDebianPackages([postgresql])
needModules()
const { startCluster } = await import('./cluster.mjs')
const cluster = own ? null : await startCluster('.facunda/cluster')
const databaseUrl = own ?? cluster.url('facunda')

execFileSync(process.execPath, ['--import', 'tsx', 'scripts/prepareDatabase.ts', ...(reset ? ['--reset'] : [])], {
  stdio: 'inherit',
  env: { ...process.env, DATABASE_URL: databaseUrl },
})
if (reset) {
  if (cluster?.startedHere) cluster.stop()
  console.log('The demo school is as it was at the beginning.')
  process.exit(0)
}
if (!dev) needBuild()

const { startProcesses, whenHealthy } = await import('./processes.mjs')
const processes = startProcesses({
  databaseUrl,
  port,
  secret: sessionSecret('.facunda/session-secret'),
  dev,
  quiet: !dev,
})
let stopping = false
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop(0))
for (const child of [processes.web, processes.press])
  child.once('exit', (code) => {
    if (!stopping) void stop(code ?? 1)
  })

await whenHealthy(port)
console.log(`Facunda: http://127.0.0.1:${port} — demo sign-ins (name / password): ${demoSignIns()}`)

async function stop(code) {
  if (stopping) return
  stopping = true
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
