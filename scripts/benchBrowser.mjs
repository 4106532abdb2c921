import { readFileSync } from 'node:fs'
import { chromium } from '@playwright/test'

// How long a teacher waits, measured in Chromium against a running Facunda with the demo school. Run by the bench.
const address = process.env.FACUNDA_URL ?? 'http://127.0.0.1:4173'
const password =
  readFileSync('demo/school/people.csv', 'utf8')
    .split('\n')
    .find((line) => line.startsWith('ines,'))
    ?.split(',')[4] ?? ''
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })

await page.goto(address)
await page.getByLabel('Name').fill('ines')
await page.getByLabel('Password').fill(password)
await page.getByRole('button', { name: 'Sign in' }).click()
await page.getByRole('heading', { name: 'Your desk' }).waitFor()
await page.goto(`${address}/gather`)
await page.getByRole('navigation', { name: 'Class list' }).getByRole('button').first().waitFor()
const ready = {
  settle: 'main table tbody tr',
  write: 'main textarea',
  read: 'main table tbody tr',
  send: 'main article',
  gather: 'main [role=gridcell]',
}

for (const round of ['first time', 'again']) {
  for (const [stage, selector] of Object.entries(ready))
    console.log(`  ${stage}, ${round}: ${await openStage(stage, selector)} ms from click to shown`)
}

await page.getByRole('link', { name: /^Settle/ }).click()
await page.getByRole('tab', { name: 'Habits' }).click()
await page.getByRole('gridcell').first().click()
console.log(`  keystroke in the habit grid: ${await keystrokes('GSGSGSGSGSGSGSGSGSGS')}`)
await page.getByRole('link', { name: /^Write/ }).click()
await page.getByRole('button', { name: /^Art \d/ }).click()
await page.getByRole('textbox').click()
console.log(`  keystroke in the editor: ${await keystrokes('The bridge over the weir was drawn twice.')}`)
await page.getByRole('button', { name: /^Mathematics \d/ }).click()
for (
  let at = 0;
  at < 24 && !(await page.getByRole('button', { name: 'Another wording of all' }).isVisible());
  at += 1
) {
  const draft = page.getByRole('button', { name: 'Draft from the record' })
  await ((await draft.isVisible()) ? draft : page.getByRole('button', { name: 'Next student' })).click()
}
console.log(`  another wording of a whole comment: ${await rewordings(20)}`)
await browser.close()

/** Milliseconds from the click on a stage to the frame in which its content stands. */
function openStage(stage, selector) {
  return page.evaluate(
    async ([path, wanted]) => {
      const begun = performance.now()
      document.querySelector(`a[href="/${path}"]`).click()
      while (!(location.pathname === `/${path}` && document.querySelector(wanted)))
        await new Promise((done) => requestAnimationFrame(done))
      return Math.round(performance.now() - begun)
    },
    [stage, selector],
  )
}

/**
 * The browser's own measure (Event Timing): from a key to the next frame painted, in steps of 8 ms; 16 at the least.
 */
async function keystrokes(text) {
  const timings = await timed('keydown', 'duration', () => page.keyboard.type(text, { delay: 60 }))
  return `usually ${usual(timings)} ms to the next frame, at most ${Math.max(16, ...timings)} ms`
}

/** From a click to everything computed and put on the page, without painting. */
async function rewordings(times) {
  const timings = await timed('click', 'processing', async () => {
    for (let at = 0; at < times; at += 1) {
      await page.getByRole('button', { name: 'Another wording of all' }).click()
      await page.waitForTimeout(200)
    }
  })
  return `usually ${usual(timings)} ms from click to shown, at most ${Math.max(...timings)} ms`
}

/** Milliseconds of each event of a kind while something is done; what took less than a frame may be missing. */
async function timed(kind, what, act) {
  await page.evaluate(
    ([name, measure]) => {
      window.timings = []
      window.timing?.disconnect()
      window.timing = new PerformanceObserver((list) => {
        for (const entry of list.getEntries())
          if (entry.name === name)
            window.timings.push(
              measure === 'duration' ? entry.duration : Math.round(entry.processingEnd - entry.processingStart),
            )
      })
      window.timing.observe({ type: 'event', durationThreshold: 16 })
    },
    [kind, what],
  )
  await act()
  await page.waitForTimeout(300)
  return page.evaluate(() => window.timings)
}

/** The median; a key that took less than a frame is counted as one frame. */
function usual(timings) {
  return timings.toSorted((a, b) => a - b)[Math.floor(timings.length / 2)] ?? 16
}
