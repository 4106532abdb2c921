import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'

const postgresRoot = '/usr/lib/postgresql'

/** The newest version of PostgreSQL that is installed, or null. */
export function newestVersion() {
  if (!existsSync(postgresRoot)) return null
  const versions = readdirSync(postgresRoot).filter((version) => existsSync(`${postgresRoot}/${version}/bin/initdb`))
  return versions.sort((a, b) => Number(b) - Number(a))[0] ?? null
}

/** The folder of a version's programs. A cluster is only ever started by the programs of its own version. */
export function postgresPrograms(version) {
  const folder = `${postgresRoot}/${version}/bin`
  if (existsSync(`${folder}/postgres`)) return folder
  throw new Error(
    `The data was made by PostgreSQL ${version}, which is no longer installed. ` +
      `Install postgresql-${version}, or move the data to a newer version (docs/operating.md).`,
  )
}

/** Installs the Debian packages that are lacking, or stops with the exact command where it may not. */
export function needDebianPackages(wanted) {
  const lacking = wanted.filter(({ isThere }) => !isThere()).map(({ name }) => name)
  if (lacking.length === 0) return
  const command = `apt-get install -y --no-install-recommends ${lacking.join(' ')}`
  if (process.getuid?.() !== 0) {
    console.error(
      `Facunda needs these Debian packages: ${lacking.join(', ')}.\nInstall them with:\n\n  sudo apt-get update && sudo ${command}\n\nthen start again.`,
    )
    process.exit(1)
  }
  console.log(`Installing ${lacking.join(', ')} …`)
  const quiet = { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } }
  spawnSync('apt-get', ['update', '-qq'], quiet)
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...lacking], quiet)
}

export const postgresql = { name: 'postgresql', isThere: () => newestVersion() !== null }
/** Debian's Chromium without a window: it costs a quarter less than the one with windows that nobody looks at. */
export const browserPath = '/usr/bin/chromium-headless-shell'
export const chromium = { name: 'chromium-headless-shell', isThere: () => existsSync(browserPath) }
export const poppler = { name: 'poppler-utils', isThere: () => existsSync('/usr/bin/pdftotext') }

/** Installs the modules when the lock file is newer than what is installed. */
export function needModules() {
  const mark = 'node_modules/.facunda-installed'
  const lock = readFileSync('package-lock.json', 'utf8')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  console.log('Installing the modules …')
  execFileSync('npm', ['ci', '--no-audit', '--no-fund'], { stdio: ['ignore', 'inherit', 'inherit'] })
  writeFileSync(mark, lock)
}

const built = '.output/server/index.mjs'
const sources = [
  ...['app', 'core', 'contracts', 'server', 'press', 'demo', 'public', 'nuxt.config.ts', 'package-lock.json'],
  ...['scripts/build.mjs', 'scripts/prepareDatabase.ts', 'scripts/setPassword.ts'],
  ...['scripts/backUp.ts', 'scripts/restore.ts'],
]

/** Builds when a source is newer than what was built. */
export function needBuild() {
  if (isBuilt()) return
  console.log('Building …')
  execFileSync(process.execPath, ['scripts/build.mjs'], { stdio: 'inherit' })
}

/** Whether what was built is no older than what it was built from. */
function isBuilt() {
  return existsSync(built) && newest(sources) <= statSync(built).mtimeMs
}

/** What Node is given to run a program of ours: as it was built, or its source where that is newer. */
export function programArguments(source) {
  const built = `.output/programs/${source.replace(/^.*\//, '').replace(/\.ts$/, '.mjs')}`
  return existsSync(built) && isBuilt() ? [built] : ['--import', 'tsx', source]
}

function newest(paths) {
  return Math.max(
    0,
    ...paths
      .filter((path) => existsSync(path))
      .map((path) => {
        const stat = statSync(path)
        return stat.isDirectory() ? newest(readdirSync(path).map((name) => `${path}/${name}`)) : stat.mtimeMs
      }),
  )
}
