import { cpSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { build } from 'esbuild'

// Builds all that runs: the web (by Nuxt, into .output), and into .output/programs the press, the threads of
// both and what a school is looked after with. Nothing of it needs TypeScript any more; packages are taken from
// node_modules (those that are no development dependencies).
const { status } = spawnSync('npx', ['nuxt', 'build'], {
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
})
if (status !== 0) process.exit(status ?? 1)

await build({
  entryPoints: [
    'press/press.ts',
    'press/pressWorker.ts',
    'server/workers/workerServices.ts',
    'scripts/prepareDatabase.ts',
    'scripts/setPassword.ts',
    'scripts/backUp.ts',
    'scripts/restore.ts',
  ],
  outdir: '.output/programs',
  outExtension: { '.js': '.mjs' },
  entryNames: '[name]',
  bundle: true,
  splitting: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
  target: 'es2022',
  sourcemap: 'linked',
  logLevel: 'error',
})
// The demo's own files, for whoever wants the demo.
for (const folder of ['batch', 'school']) cpSync(`demo/${folder}`, `.output/programs/${folder}`, { recursive: true })
