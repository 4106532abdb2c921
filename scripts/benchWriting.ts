import { cleanKept, plainRecognised, slipsFound } from '../tests/writing/measureWriting'

// How the checks and the recognition of what varies do on sentences written by hand (tests/writing/README.md). Named:
// the lines that were not right, where they may be looked at.
const kinds = {
  'slips found': slipsFound,
  'clean comments kept': cleanKept,
  'plain sentences recognised': plainRecognised,
}
for (const [what, measure] of Object.entries(kinds)) {
  const [seen, unread] = [await measure('seen'), await measure('unread')]
  console.log(`  ${what}: ${seen.right} of ${seen.of}; unread ${unread.right} of ${unread.of}`)
  if (process.argv.includes('--named')) console.log(seen.wrong.join('\n'))
}
