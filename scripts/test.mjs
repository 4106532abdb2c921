import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { chromium, needBuild, needDebianPackages, needModules, poppler, postgresql } from './packages.mjs'

// Everything that is promised, tested: lint, types, unit, API against a real PostgreSQL, the interface in Chromium.
// Ends with one line "N passed, N failed" over all suites.
needDebianPackages([postgresql, chromium, poppler])
needModules()
const results = '.facunda/results'
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

const totals = { passed: 0, failed: 0 }
/** Runs a command beside this process, which goes on keeping the application running. @returns whether it succeeded */
const step = (name, command, args, env = {}) =>
  new Promise((done) => {
    console.log(`\n— ${name}`)
    const child = spawn(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
    child.once('error', () => done(false))
    child.once('exit', (status) => done(status === 0))
  })
const countStep = (passed) => {
  totals[passed ? 'passed' : 'failed'] += 1
}

await step('prepare', 'npx', ['nuxt', 'prepare'])
// Neither looks at what the other does, and each has a core.
const [linted, typed] = await Promise.all([
  step('lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
  step('types', 'npx', ['nuxt', 'typecheck']).then(async (passed) => {
    countStep(await step('format', 'npx', ['prettier', '--check', '.', '--log-level', 'warn']))
    return passed
  }),
])
countStep(linted)
countStep(typed)
await suite('unit and outside references', 'unit.json', [
  'vitest',
  'run',
  '--project',
  'unit',
  '--project',
  'app',
  '--project',
  'outside',
  '--reporter=dot',
  '--reporter=json',
  `--outputFile.json=${results}/unit.json`,
])

const { startApps } = await import('./testApps.mjs')
// Clusters of its own, or the server that TEST_DATABASE_URL names (an empty database; it is wiped).
const own = process.env.TEST_DATABASE_URL
if (own)
  console.log(
    '\nSKIPPED: the two tests in which the database goes away, because a server of somebody’s own is not ours to stop.',
  )
let apps = null
try {
  needBuild()
  apps = await startApps('.facunda', own)
  await apps.begin()
  await suite(
    'API',
    'api.json',
    [
      'vitest',
      'run',
      '--project',
      'api',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${results}/api.json`,
    ],
    apps.env,
  )
  await apps.begin()
  await suite('interface', 'e2e.json', ['playwright', 'test'], apps.env)
} catch (error) {
  console.error(error)
  totals.failed += 1
} finally {
  await apps?.stop()
}

console.log(`\n${totals.passed} passed, ${totals.failed} failed`)
process.exit(totals.failed === 0 && totals.passed > 0 ? 0 : 1)

/** Runs a suite and adds what it counted; a suite that failed without counting a failure counts as one. */
async function suite(name, file, args, env = {}) {
  const passed = await step(name, 'npx', args, env)
  const counts = existsSync(`${results}/${file}`)
    ? readCounts(JSON.parse(readFileSync(`${results}/${file}`, 'utf8')))
    : { passed: 0, failed: 0 }
  totals.passed += counts.passed
  totals.failed += passed ? counts.failed : Math.max(1, counts.failed)
}

/** Vitest and Playwright count in words of their own. */
function readCounts(report) {
  if (report.stats) return { passed: report.stats.expected, failed: report.stats.unexpected + report.stats.flaky }
  return { passed: report.numPassedTests, failed: report.numFailedTests }
}
