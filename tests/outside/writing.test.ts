import { expect, it } from 'vitest'
import { cleanKept, plainRecognised, slipsFound } from '../writing/measureWriting'

// Sentences as teachers type them, written by hand before the code (tests/writing/README.md), read with harper.js (npm)
// beside the checks. Those that are not right are named.
it.each([
  ['slips are found', slipsFound, 0.95],
  ['clean comments have no finding', cleanKept, 0.98],
  ['what varies in plain sentences is recognised', plainRecognised, 0.97],
] as const)('%s', async (_, measure, aim) => {
  const { of, right, wrong } = await measure('seen')
  expect(of).toBeGreaterThanOrEqual(80)
  expect(right / of, wrong.join('\n')).toBeGreaterThanOrEqual(aim)
})
