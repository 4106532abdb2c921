import { readFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { workOfKeys } from './benchKeys.mjs'
import { browserPath } from './packages.mjs'

// How long a teacher waits, measured in Chromium against a running Facunda with the demo school. Run by the bench.
const address = process.env.FACUNDA_URL ?? 'http://127.0.0.1:4173'
const password =
  readFileSync('demo/school/people.csv', 'utf8')
    .split('\n')
    .find((line) => line.startsWith('ines,'))
    ?.split(',')[4] ?? ''
/** Seven marks of two figures, each settled with Enter. */
const marksTyped = Array.from({ length: 7 }, (_, nth) => ['7', String(nth), 'Enter']).flat()
const browser = await chromium.launch({
  executablePath: browserPath,
  args: [
    ...['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    // A frame is shown when it is ready, not at the screen's next turn: what it takes is what is measured.
    ...['--disable-frame-rate-limit', '--disable-gpu-vsync'],
  ],
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
console.log(`  keystroke in the habit grid: ${await keystrokes('NSNSNSNSNSNSNSNSNSNS')}`)
await page.getByRole('gridcell').first().click()
console.log(`    … ${await workOfKeys(page, 'NSNSNSNSNSNSNSNSNSNS')}`)
await page.getByRole('tab', { name: /^Marks/ }).click()
await page
  .getByRole('textbox', { name: /^Settled mark/ })
  .first()
  .focus()
console.log(`  keystroke in the grid of marks: ${await workOfKeys(page, marksTyped)}`)
await page.getByRole('tab', { name: 'Habits' }).click()
for (const round of ['first time', 'again'])
  console.log(`  the page of one student, ${round}: ${await pageOfStudent()}`)
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
await gridOfLevels(40, 12)
await gridOfResults(40, 200)
await browser.close()

/** From the key that calls a student's page, and from the one that turns to the next student, to all of it shown. */
async function pageOfStudent() {
  const took = await page.evaluate(async () => {
    const pressed = async (key, isShown) => {
      const from = performance.now()
      document.body.dispatchEvent(new KeyboardEvent('keydown', { ...key, altKey: true, bubbles: true }))
      while (!isShown()) await new Promise((done) => requestAnimationFrame(done))
      await new Promise((done) => requestAnimationFrame(done))
      return Math.round(performance.now() - from)
    }
    const name = () => document.querySelector('main h1')?.textContent
    const sections = () => document.querySelectorAll('main section tbody tr').length
    const opened = await pressed({ code: 'KeyX', key: 'x' }, () => sections() > 10)
    const before = name()
    const turned = await pressed({ code: 'PageDown', key: 'PageDown' }, () => name() !== before)
    await pressed({ code: 'KeyX', key: 'x' }, () => document.querySelector('[role=tab]') !== null)
    return [opened, turned]
  })
  return `${took[0]} ms from the key to shown, the next student ${took[1]} ms`
}

/** A grid of so many students and skills: grown on its way as below, and nothing is saved. */
async function gridOfLevels(students, skills) {
  await page.route('**/api/classes/*/*/levels', (route) => route.fulfill({ json: { event: null } }))
  await page.route(
    (url) => /^\/api\/classes\/[^/]+\/[^/]+$/.test(url.pathname),
    async (route) => route.fulfill({ json: grown(await (await route.fetch()).json(), students, 20) }),
  )
  await page.route('**/setup', async (route) => {
    const { setup, ...rest } = await (await route.fetch()).json()
    const [skill] = setup.skills.filter(({ subject }) => subject === 'mathematics')
    const many = Array.from({ length: skills }, (_, at) => ({ ...skill, id: `skill-${at}` }))
    await route.fulfill({ json: { ...rest, setup: { ...setup, skills: many } } })
  })
  await page.evaluate(() => sessionStorage.clear())
  await page.goto(`${address}/settle`)
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByRole('tab', { name: /^Skills/ }).click()
  await page.getByRole('gridcell').first().click()
  const typed = await keystrokes('32323232323232323232')
  console.log(`  a grid of ${students} students and ${skills} skills: a keystroke ${typed}`)
  await page.getByRole('gridcell').first().click()
  console.log(`    … ${await workOfKeys(page, '32323232323232323232')}`)
  await page
    .getByRole('status')
    .filter({ hasText: /^saved/ })
    .waitFor()
  await page.unrouteAll({ behavior: 'ignoreErrors' })
}

/** A grid of so many students and pieces of work: the class's record is grown on its way, and nothing is saved. */
async function gridOfResults(students, pieces) {
  await page.route('**/api/classes/*/*/results', (route) => route.fulfill({ json: { event: null } }))
  await page.route(
    (url) => /^\/api\/classes\/[^/]+\/[^/]+$/.test(url.pathname),
    async (route) => route.fulfill({ json: grown(await (await route.fetch()).json(), students, pieces) }),
  )
  await page.addInitScript(() => {
    const look = () => {
      if (document.querySelector('[role=gridcell]')) window.gridSeen = performance.now()
      else requestAnimationFrame(look)
    }
    requestAnimationFrame(look)
  })
  await page.evaluate(() => sessionStorage.clear())
  await page.goto(`${address}/gather`)
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByText(`of ${pieces} in view`).waitFor()
  const shown = await page.evaluate(() => {
    // The first answer with the record: what is asked for later (findings, news) is nothing that a grid waits for.
    const isRecord = ({ name }) => /\/api\/classes\/[^/]+\/[^/]+$/.test(name)
    const record = performance.getEntriesByType('resource').find(isRecord)
    return Math.round(window.gridSeen - (record?.responseEnd ?? Number.NaN))
  })
  const frames = await page.evaluate(async () => {
    const grid = document.querySelector('[role=grid]')
    const times = []
    let before = await new Promise(requestAnimationFrame)
    for (let at = 0; at < 120; at += 1) {
      grid.scrollTop = Math.abs(((at * 24) % 1400) - 700)
      const now = await new Promise(requestAnimationFrame)
      times.push(now - before)
      before = now
    }
    return times.toSorted((a, b) => a - b)
  })
  await page.getByRole('gridcell').first().click()
  const arrows = await timed('keydown', 'duration', async () => {
    for (let at = 0; at < 60; at += 1) await page.keyboard.press('ArrowRight', { delay: 20 })
  })
  const typed = await keystrokes('7\n8\n9\n7\n8\n9\n7\n8\n9\n7\n')
  const [usually = 0, most = 0] = [frames[60], frames.at(-1)]
  console.log(`  results, ${students} students x ${pieces} pieces of work: shown ${shown} ms after the data;`)
  console.log(`    a frame while scrolling usually ${usually.toFixed(1)} ms, at most ${most.toFixed(1)};`)
  console.log(`    an arrow usually ${usual(arrows)} ms, at most ${Math.max(16, ...arrows)}; a key ${typed}`)
  await page.getByRole('gridcell').first().click()
  const keys = Array.from({ length: 10 }, (_, nth) => [`${nth}`, 'Enter']).flat()
  console.log(`    … ${await workOfKeys(page, keys)}`)
}

/** A class's answer with more students and more work in mathematics, a result in each cell. */
function grown(answer, students, pieces) {
  const { term } = answer
  const [piece] = term.work.filter(({ subject }) => subject === 'mathematics')
  const many = Array.from({ length: students }, (_, at) => {
    const one = term.students[at % term.students.length]
    return { ...one, id: `student-${at}`, schoolNumber: String(at) }
  })
  const work = Array.from({ length: pieces }, (_, at) => ({ ...piece, id: `work-${at}`, title: `Quiz ${at + 1}` }))
  const results = work.map(({ id }, nth) => [
    id,
    many.map((student, at) => [student.id, 'scored', ((nth * 7 + at * 3) % piece.outOf) + 0.5, '']),
  ])
  return { ...answer, term: { ...term, students: many, work, results } }
}

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
 * The browser's own measure (Event Timing): from a key to the next frame painted, in steps of 8 ms. It tells of those
 * that took 16 ms or more; the others count as 8.
 */
async function keystrokes(text) {
  const told = await timed('keydown', 'duration', () => page.keyboard.type(text, { delay: 60 }))
  const timings = [...told, ...Array.from({ length: Math.max(0, text.length - told.length) }, () => 8)]
  const median = usual(timings)
  const usually = median < 16 ? 'under 16' : `${median}`
  return `usually ${usually} ms to the next frame, at most ${Math.max(16, ...timings)} ms, of ${text.length}`
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
