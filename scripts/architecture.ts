import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import madge from 'madge'

// Draws docs/architecture.md from the real imports: npm run architecture. A test holds the picture to them.
export const pictureFile = 'docs/architecture.md'

const top = ['app', 'contracts', 'core', 'demo', 'press', 'scripts', 'server']

/** Who imports whom, file by file, types too. */
export async function readImports(): Promise<{ imports: Record<string, string[]>; circles: string[][] }> {
  const read = await madge(top, {
    baseDir: '.',
    fileExtensions: ['ts', 'mjs'],
    tsConfig: 'tsconfig.tools.json',
    excludeRegExp: [/\.test\.ts$/, /\.d\.m?ts$/],
    detectiveOptions: { ts: { skipTypeImports: false } },
  })
  return { imports: { ...read.obj(), ...importsOfPages() }, circles: read.circular() }
}

/** The page as it shall be. */
export function drawPicture(imports: Record<string, string[]>): string {
  return [
    '# The architecture, drawn from the imports',
    '',
    'Made by `npm run architecture`; a test fails when an arrow is missing here or no longer in the code. The linter',
    '(`eslint.config.mjs`) knows which arrows there may be.',
    '',
    '## The whole',
    ...drawing(imports, (file) => file.split('/')[0] ?? ''),
    '',
    '## Inside the core',
    ...drawing(imports, (file) => /^core\/(\w+)\//.exec(file)?.[1] ?? ''),
    '',
    '## Inside the server',
    ...drawing(imports, (file) => /^server\/(\w+)\//.exec(file)?.[1] ?? ''),
    '',
  ].join('\n')
}

/**
 * An arrow for each pair of groups, in alphabetical order; files of no group are left aside. How many imports stand
 * behind an arrow is not said: it would make the picture untrue with every import.
 */
function drawing(imports: Record<string, string[]>, groupOf: (file: string) => string): string[] {
  const arrows = new Set<string>()
  for (const [file, imported] of Object.entries(imports)) {
    for (const other of imported) {
      const [from, to] = [groupOf(file), groupOf(other)]
      if (from !== '' && to !== '' && from !== to) arrows.add(`  ${from} --> ${to}`)
    }
  }
  return ['```mermaid', 'flowchart TD', ...[...arrows].sort(), '```']
}

/** What pages and stores import by "~~/": the graph's reader knows no Vue. */
function importsOfPages(): Record<string, string[]> {
  const files = readdirSync('app', { recursive: true, encoding: 'utf8' })
    .map((name) => `app/${name}`)
    .filter((file) => /\.(vue|ts)$/.test(file))
    .sort()
  return Object.fromEntries(
    files.map((file) => [
      file,
      [...readFileSync(file, 'utf8').matchAll(/from '~~\/([^']+)'/g)].map((match) => `${match[1]}.ts`),
    ]),
  )
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  writeFileSync(pictureFile, drawPicture((await readImports()).imports))
}
