import { execFileSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { needBuild, needDebianPackages, needModules, postgresql, programArguments } from './packages.mjs'
import { sessionSecret } from './secrets.mjs'

// Starts Facunda: packages, modules, cluster, database, build, web and press; and keeps them running. See README.md.
const reset = process.argv.includes('--reset-demo')
const dev = process.argv.includes('--dev')
const own = process.env.DATABASE_URL
// A database of somebody's own gets the demo only when it is asked for, and so does an empty one.
const empty = process.argv.includes('--empty')
const demo = !empty && (process.env.FACUNDA_DEMO ? process.env.FACUNDA_DEMO === 'yes' : !own)
const port = Number(process.env.PORT ?? 4173)

if (!own) needDebianPackages([postgresql])
needModules()
const { startCluster } = await import('./cluster.mjs')
const cluster = own ? null : await startCluster('.facunda/cluster')
// One database is one school: the demo's and one of your own live beside each other.
const databaseUrl = own ?? cluster.url(demo || reset ? 'facunda' : ownName())

if (!dev && !reset) needBuild()
try {
  const options = [...(reset ? ['--reset'] : []), ...(demo || reset ? ['--demo'] : [])]
  execFileSync(process.execPath, [...programArguments('scripts/prepareDatabase.ts'), ...options], {
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
const { startProcesses, whenHealthy } = await import('./processes.mjs')
const secret = process.env.NUXT_SESSION_PASSWORD ?? sessionSecret('.facunda/session-secret')
const setUpKey = process.env.FACUNDA_SETUP_KEY ?? newKey()
const processes = startProcesses({ databaseUrl, port, secret, dev, quiet: !dev, setUpKey })
let stopping = false
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop(0))

const leaveOff = cluster?.keepUp()

try {
  await whenHealthy(port)
} catch (error) {
  console.error(error.message)
  await stop(1)
}
const { needed, demo: holdsDemo } = await fetch(`http://127.0.0.1:${port}/api/set-up`).then((answer) => answer.json())
console.log(
  `Facunda: http://127.0.0.1:${port}${holdsDemo ? ` — demo sign-ins (name / password): ${demoSignIns()}` : ''}`,
)
if (needed) console.log(`There is no school here yet. The key to set one up, good once: ${setUpKey}`)

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

/** Which of several schools of one's own: npm start -- --empty --school willow. */
function ownName() {
  const at = process.argv.indexOf('--school')
  const name = at < 0 ? 'own' : (process.argv[at + 1] ?? '')
  if (!/^[a-z][a-z0-9-]{0,30}$/.test(name)) throw new Error('--school takes a name of small letters, as in willow.')
  return `facunda_${name}`
}

/** Sixteen signs that nobody guesses and that can be read off a screen: no o and 0, no l and 1. */
function newKey() {
  const signs = 'abcdefghijkmnpqrstuvwxyz23456789'
  const drawn = [...randomBytes(16)].map((byte) => signs[byte % signs.length]).join('')
  return drawn.match(/.{4}/g).join('-')
}
