import { existsSync, readFileSync, writeFileSync } from 'node:fs'

// npm run mutate: what the mutation tester found, folder by folder, into docs/quality/mutations.md. A run over some
// folders leaves the rows of the others as they are.
const report = '.facunda/results/mutation.json'
const target = 'docs/quality/mutations.md'
const day = new Date().toISOString().slice(0, 10)
const oneOf = Number(process.env.MUTATE_ONE_OF ?? 1)
const drawn = oneOf === 1 ? 'all' : `one of ${oneOf}, round ${process.env.MUTATE_ROUND ?? 0}`

const rows = new Map(existsSync(target) ? readFileSync(target, 'utf8').split('\n').flatMap(folderRow) : [])
for (const [folder, { noticed, all }] of scores()) {
  const share = ((noticed / all) * 100).toFixed(1)
  rows.set(folder, `| ${folder} | ${all.toLocaleString('en')} | ${share} % | ${drawn} | ${day} |`)
}
writeFileSync(
  target,
  `# What tests notice

Stryker changes operators, conditions and calls of the core, one at a time, and runs the unit tests that reach them. Written by
\`npm run mutate\`, which can be told which folders: \`npx stryker run --mutate "core/marks/**/*.ts,!core/**/*.test.ts"\`, then
\`node scripts/writeMutations.mjs\`. Changed words and regular expressions are left out, and what runs while a module is loaded.
Where not all functions were changed, those were drawn by where they stand (\`scripts/drawnMutants.mjs\`).

| folder | changes | noticed | functions | on |
|---|---|---|---|---|
${[...rows.keys()]
  .sort()
  .map((folder) => rows.get(folder))
  .join('\n')}
`,
)

/** How many changes of each folder were made, and how many of them noticed. */
function scores() {
  const { files } = JSON.parse(readFileSync(report, 'utf8'))
  const byFolder = new Map()
  for (const [file, { mutants }] of Object.entries(files)) {
    const folder = file.replace(/^core\//, '').replace(/\/?[^/]*$/, '') || 'core itself'
    const score = byFolder.get(folder) ?? { noticed: 0, all: 0 }
    for (const { status } of mutants) {
      const isNoticed = status === 'Killed' || status === 'Timeout'
      if (isNoticed) score.noticed += 1
      if (isNoticed || status === 'Survived' || status === 'NoCoverage') score.all += 1
    }
    if (score.all > 0) byFolder.set(folder, score)
  }
  return byFolder
}

function folderRow(line) {
  const [, folder] = /^\| ([^|]+) \| [\d,]+ \|/.exec(line) ?? []
  return folder ? [[folder, line]] : []
}
