import { readFileSync, writeFileSync } from 'node:fs'

// Run after a change of the dependencies: node scripts/completeLock.mjs
//
// A lock file made where the registry lacks the packages of other platforms leaves those out, and `npm ci` then refuses
// it everywhere. This adds what is lacking: packages that are optional, named for one platform and of an exact version.
const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'))

const systems = ['android', 'darwin', 'freebsd', 'linux', 'netbsd', 'openbsd', 'openharmony', 'sunos', 'win32', 'aix']
const processors = [
  'arm64',
  'arm',
  'ia32',
  'loong64',
  'mips64el',
  'ppc64',
  'ppc64le',
  'riscv64',
  's390x',
  'x64',
  'wasm32',
]

let added = 0
for (const [path, entry] of Object.entries(lock.packages)) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const there = versionFound(path, name)
    if (there === version || (there && !/^\d/.test(version))) continue
    if (!/^\d/.test(version)) {
      console.error(`${name}@${version}, wanted by ${path}, is lacking and of no exact version.`)
      continue
    }
    const place = lock.packages[`node_modules/${name}`] ? `${path}/node_modules/${name}` : `node_modules/${name}`
    lock.packages[place] = { version, ...platformOf(name), dev: entry.dev, optional: true }
    added += 1
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)))
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`)
console.log(`${added} packages of other platforms added.`)

/** The version of the other package that a package finds, looking from its own folder upwards. */
function versionFound(path, name) {
  const folders = [path]
  for (let at = path.lastIndexOf('/node_modules/'); at >= 0; at = path.lastIndexOf('/node_modules/', at - 1))
    folders.push(path.slice(0, at))
  const places = [...folders.filter(Boolean).map((folder) => `${folder}/node_modules/${name}`), `node_modules/${name}`]
  return places.map((place) => lock.packages[place]?.version).find(Boolean)
}

function platformOf(name) {
  const words = name.toLowerCase().split(/[^a-z0-9]+/)
  const os = systems.filter((system) => words.includes(system))
  const cpu = processors.filter((processor) => words.includes(processor))
  if (words.includes('armv7') || words.includes('armv6')) cpu.push('arm')
  const libc = words.includes('musl') ? ['musl'] : words.includes('gnu') && os.includes('linux') ? ['glibc'] : []
  if (os.length === 0 && cpu.length === 0) console.error(`${name} names no platform.`)
  return { ...(cpu.length > 0 ? { cpu } : {}), ...(os.length > 0 ? { os } : {}), ...(libc.length > 0 ? { libc } : {}) }
}
