import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { drawPicture, pictureFile, readImports } from '../../scripts/architecture'

// Source: madge (npm), which reads the imports.
it('no module imports itself in a circle, and the picture of the architecture is the one that the imports give', async () => {
  const { imports, circles } = await readImports()
  expect(circles).toEqual([])
  expect(Object.keys(imports).length).toBeGreaterThan(200)
  expect(readFileSync(pictureFile, 'utf8')).toBe(drawPicture(imports))
})
