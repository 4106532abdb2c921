import { spawn } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { cpus, totalmem } from 'node:os'
import { newestVersion } from './packages.mjs'

// npm run bench: each part in a process of its own. What they print is shown, and kept in docs/quality/figures.md with
// the day, the machine and what it does otherwise in the same minutes. Parts that are named are shown alone:
// npm run bench -- Live
const parts = [
  ['sizes', 'scripts/bench.ts'],
  ...['Redraft', 'Voice', 'Writing', 'School', 'Live', 'Bundle', 'Evening'].map((name) => [
    name,
    `scripts/bench${name}.ts`,
  ]),
]
const wanted = process.argv.slice(2)
const chosen = wanted.length === 0 ? parts : parts.filter(([name]) => wanted.includes(name))

const before = bareLoop()
const told = []
for (const [name, script] of chosen) told.push([name, await printed(script)])
const machine = [
  `${cpus().length} × ${cpus()[0]?.model.trim()}`,
  `${Math.round(totalmem() / 2 ** 30)} GB`,
  `Node.js ${process.version}`,
  `PostgreSQL ${newestVersion()}`,
].join(', ')
if (wanted.length === 0)
  writeFileSync(
    'docs/quality/figures.md',
    `# Figures

Written by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}, in one run. ${machine}.
A hundred million steps of a bare loop took ${before.toFixed(0)} ms before and ${bareLoop().toFixed(0)} ms after it.

${told.map(([name, text]) => `## ${name}\n\n\`\`\`text\n${text.trim()}\n\`\`\`\n`).join('\n')}`,
  )

/** What a part prints; it is shown meanwhile. */
function printed(script) {
  return new Promise((done, failed) => {
    const child = spawn(process.execPath, ['--expose-gc', '--import', 'tsx', script], {
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    let text = ''
    child.stdout.on('data', (chunk) => {
      process.stdout.write(chunk)
      text += chunk
    })
    child.once('error', failed)
    // Figures with a part missing are none.
    child.once('exit', (status) => (status === 0 ? done(text) : failed(new Error(`${script} ended with ${status}.`))))
  })
}

/** How long a hundred million steps of nothing take now, in ms: what the machine does in this minute. */
function bareLoop() {
  const begun = performance.now()
  let sum = 0
  for (let step = 0; step < 100_000_000; step += 1) sum += step % 7
  return sum < 0 ? 0 : performance.now() - begun
}
