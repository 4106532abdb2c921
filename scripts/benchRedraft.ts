import { chromium } from '@playwright/test'
import { buildSync } from 'esbuild'
import { writeComments } from '../core/record/draftBox'
import { grown } from './benchClass'
import { percentiles } from './benchTimes'
import { browserPath } from './packages.mjs'

// One redraft in Chromium, on the class of thirty: the work of a click by itself, without what it takes to show it.
const record = grown(30)
const written = { ...record, comments: writeComments(record) }
const { outputFiles } = buildSync({
  entryPoints: ['scripts/benchRedraftPage.ts'],
  bundle: true,
  format: 'iife',
  globalName: 'bench',
  minify: true,
  write: false,
})
const browser = await chromium.launch({ executablePath: browserPath, args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage()
await page.addScriptTag({ content: outputFiles.map(({ text }) => text).join('') })
const times = await page.evaluate<number[]>(`bench.redraftEach(${JSON.stringify(written)})`)
await browser.close()
const [first = 0, ...later] = times
const figures = [percentiles(later), `the first ${first.toFixed(1)} ms`].join(', ')
console.log(`\none redraft in the browser, of ${times.length}: ${figures}`)
