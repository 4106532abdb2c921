import { chromium, type Locator, type Page } from '@playwright/test'
import { addDays } from '../core/addDays'
import { startEmptySchool } from '../tests/e2e/emptySchool'
import { startCluster } from './cluster.mjs'
import { browserPath } from './packages.mjs'

/**
 * The evening on which a school begins, gone through in Chromium on an empty database: every act of a person counted,
 * and the time that they would take by the keystroke-level model of Card, Moran and Newell (Communications of the ACM
 * 23/7, 1980; its operators from memory: a key of an average typist 0.28 s, pointing 1.1 s, a click 0.2 s, the hand to
 * the keyboard 0.4 s, a thought before each act 1.35 s), with the waiting that was measured. People who read and doubt
 * take longer.
 */
const operators = { key: 0.28, point: 1.1, click: 0.2, hand: 0.4, thought: 1.35 }
const counted = { acts: 0, keys: 0, seconds: 0, waited: 0 }

async function act(work: () => Promise<unknown>, seconds: number): Promise<void> {
  const from = performance.now()
  await work()
  counted.waited += (performance.now() - from) / 1000
  counted.acts += 1
  counted.seconds += operators.thought + seconds
}

const point = operators.point + operators.click
const type = (field: Locator, text: string): Promise<void> => {
  counted.keys += text.length
  return act(
    () => field.fill(text).then(() => field.press('Tab')),
    point + operators.hand + text.length * operators.key,
  )
}
const click = (target: Locator): Promise<void> => act(() => target.click(), point)
const choose = (select: Locator, label: string): Promise<void> => act(() => select.selectOption(label), 2 * point)
/** Copied in a spreadsheet and pasted here: going there and back, all of it, copy, paste. */
const paste = (field: Locator, text: string): Promise<void> => {
  counted.keys += 8
  return act(() => field.fill(text), 2 * point + operators.hand + 8 * operators.key)
}
const named = (page: Page, name: string | RegExp): Locator => page.getByRole('button', { name })

function told(what: string): void {
  const minutes = (counted.seconds + counted.waited) / 60
  console.log(
    `  ${what.padEnd(34)} ${counted.acts} acts, ${counted.keys} keys, ${minutes.toFixed(1)} min, of which ${counted.waited.toFixed(0)} s waiting`,
  )
}

async function setUp(page: Page, key: string): Promise<void> {
  await type(page.getByLabel('Its name'), 'Willow School')
  // The days that are proposed hold for most of a year; where they do not, they are two more fields.
  const today = new Date().toLocaleDateString('sv-SE')
  await page.getByLabel('First day', { exact: true }).fill(addDays(today, -60))
  await page.getByLabel('Last day', { exact: true }).fill(addDays(today, 240))
  await type(page.getByLabel('Given name'), 'Ada')
  await type(page.getByLabel('Family name'), 'Moss')
  await type(page.getByLabel('Password'), 'harbour lantern spoon')
  await type(page.getByLabel(/It was printed/), key)
  await click(named(page, 'Set up Willow School'))
  await page.getByRole('heading', { name: /^Classes and students of/ }).waitFor()
}

async function addClass(page: Page, name: string, list: string): Promise<void> {
  await type(page.getByLabel('Name of a new class'), name)
  await click(named(page, 'Add class'))
  await paste(page.getByLabel('Paste the class list'), list)
  await click(named(page, /^Take \d+ students in/))
  await page
    .getByLabel(/^Family name of/)
    .first()
    .waitFor()
}

async function addSubject(page: Page): Promise<void> {
  await click(page.getByRole('link', { name: 'Scales' }))
  await click(named(page, 'Another scale for skills'))
  const scale = page.getByLabel('Name of the scale').and(page.locator('[value*="another scale"]'))
  await scale.waitFor()
  await type(scale, 'How chess goes')
  await click(named(page, /^Keep How chess goes/))
  await click(page.getByRole('link', { name: 'Subjects and skills' }))
  await type(page.getByLabel('Name of a new subject'), 'Chess')
  await click(named(page, 'Add').and(page.getByText('Add', { exact: true })))
  await choose(page.getByLabel('Skills on'), 'How chess goes')
  for (const skill of ['Plans a few moves ahead', 'Sets up the board', 'Loses and wins kindly']) {
    await type(page.getByLabel('A new skill in Chess'), skill)
    await click(named(page, 'Add skill'))
    await page
      .getByLabel('Skill', { exact: true })
      .and(page.locator(`[value="${skill}"]`))
      .waitFor()
  }
}

async function inviteColleague(page: Page): Promise<string> {
  await click(page.getByRole('link', { name: 'People', exact: true }))
  await choose(page.getByLabel('A class or subject for Ada Moss'), '5 Willow: home class')
  await click(named(page, 'Give it to Ada'))
  await type(page.getByLabel('Given name'), 'Bo')
  await type(page.getByLabel('Family name'), 'Li')
  await click(named(page, 'Take in and make a link'))
  const row = page.getByRole('row', { name: /Bo Li/ })
  await choose(row.getByLabel('A class or subject for Bo Li'), '6 Willow: home class')
  await click(named(page, 'Give it to Bo'))
  return row.getByLabel(/Hand Bo this link/).inputValue()
}

async function settle(page: Page, school: string, keys: string): Promise<void> {
  await page.goto(`${school}/settle`)
  await choose(page.getByLabel('Subject', { exact: true }), 'Chess')
  await click(page.getByRole('tab', { name: 'Skills in Chess' }))
  await click(page.getByRole('gridcell').first())
  counted.keys += keys.length
  await act(() => page.keyboard.type(keys), operators.hand + keys.length * (operators.key + operators.thought))
}

async function evening(page: Page, school: { address: string; key: string }): Promise<void> {
  await page.goto(school.address)
  await setUp(page, school.key)
  told('the school stands')
  await addClass(page, '5 Willow', 'Maya\tReed\tshe/her\nKit\tBae\tthey/them\nOmar\tO’Hara\the/him')
  await addClass(page, '6 Willow', 'Ada\tLund\tshe/her\nNoor\tHaddad\the/him\nSam\tVale\tthey/them')
  await addSubject(page)
  told('two classes, own subject and scale')
  const link = await inviteColleague(page)
  told('a colleague is invited')
  await settle(page, school.address, '432')
  await click(page.getByRole('link', { name: /^Write/ }))
  await choose(page.getByRole('combobox', { name: 'Comment box' }), 'chess')
  await click(named(page, /^Draft .*empty/))
  await page.getByRole('textbox', { name: /^Chess for/ }).waitFor()
  told('the first comments are composed')
  await click(page.getByRole('link', { name: /^Send/ }))
  await click(named(page, /^Make 3 report cards/))
  const download = page.waitForEvent('download')
  await click(page.getByRole('link', { name: /PDF/ }).first())
  await download
  told('their reports are a PDF')
  await colleague(page, link)
  told('the colleague has settled a class')
  await page.goto(`${school.address}/school/terms`)
  await click(named(page, /^Make .* from this year/))
  await click(named(page, /^Make \d/))
  await page.getByLabel('Year').waitFor()
  told('the next year is made')
}

async function colleague(page: Page, link: string): Promise<void> {
  const context = await page
    .context()
    .browser()
    ?.newContext({ viewport: { width: 1280, height: 800 } })
  const theirs = await context?.newPage()
  if (!theirs) throw new Error('no second browser')
  await theirs.goto(link)
  await type(theirs.getByLabel('Password'), 'a kettle of purple rain')
  await click(named(theirs, 'Choose this password'))
  await theirs.getByRole('heading', { name: 'Your desk' }).waitFor()
  await settle(theirs, new URL(link).origin, '344')
  await context?.close()
}

const cluster = await startCluster('.facunda/bench-cluster')
process.env.DATABASE_URL = cluster.url('postgres')
const school = await startEmptySchool()
const browser = await chromium.launch({ executablePath: browserPath, args: ['--no-sandbox', '--disable-gpu'] })
try {
  console.log('the evening on which a school begins (acts of a person, by the keystroke-level model)')
  await evening(await browser.newPage({ viewport: { width: 1280, height: 800 } }), school)
} finally {
  await browser.close()
  await school.stop()
  if (cluster.startedHere) cluster.stop()
}
