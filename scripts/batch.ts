import { runBatch } from './runBatch'

// npm run batch -- --in FOLDER --out FOLDER
process.exitCode = await runBatch(
  process.argv.slice(2),
  (line) => console.error(line),
  (line) => console.log(line),
)
