import { mkdirSync, readFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { browserPath } from './packages.mjs'

// Takes the pictures in docs/screenshots from a running Facunda with the demo school: npm run screenshots.
const address = process.env.FACUNDA_URL ?? 'http://127.0.0.1:4173'
const folder = 'docs/screenshots'
mkdirSync(folder, { recursive: true })
const passwordOf = (name) =>
  readFileSync('demo/school/people.csv', 'utf8')
    .split('\n')
    .find((line) => line.startsWith(`${name},`))
    ?.split(',')[4] ?? ''

const browser = await chromium.launch({
  executablePath: browserPath,
  // Letters stand where a browser with a window puts them.
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--font-render-hinting=none'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const shoot = async (name) => {
  await page.waitForTimeout(500)
  await page.screenshot({ path: `${folder}/${name}.png` })
}
const open = async (stage) => {
  await page.goto(`${address}/${stage}`)
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button').first().waitFor()
}
const student = (name) => page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name }).click()

const signIn = async (name) => {
  await page.goto(address)
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Password').fill(passwordOf(name))
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'Your desk' }).waitFor()
}

await signIn('ines')
await shoot('desk')
await open('gather')
await shoot('gather')
await page.getByLabel('Choose a gradebook file').setInputFiles('demo/files/mathematics-late-results.csv')
await page.getByText('is no score').waitFor()
await shoot('gather-mapping')
await open('settle')
await student(/Tamsin/)
await shoot('settle-marks')
await page.getByRole('tab', { name: /^Skills/ }).click()
await page.getByRole('gridcell', { name: /^Elif/ }).first().click()
await shoot('settle-skills')
await page.getByRole('tab', { name: 'Habits' }).click()
await page.getByRole('gridcell', { name: /^Elif/ }).first().click()
await shoot('settle-habits')
await page.getByRole('tab', { name: 'The class' }).click()
await shoot('settle-class')
await page.getByRole('tab', { name: /^Marks/ }).click()
await page.keyboard.press('Alt+x')
await page.getByRole('heading', { name: 'Comments' }).waitFor()
await shoot('student')
await page.getByRole('link', { name: 'Hold a meeting' }).click()
await page.getByRole('button', { name: 'Leave the meeting' }).waitFor()
await shoot('meeting')
await page.getByRole('button', { name: 'Leave the meeting' }).click()
await page.getByRole('button', { name: 'Leave', exact: true }).click()
await open('write')
await page.getByRole('button', { name: /^Mathematics \d/ }).click()
await student(/Kit/)
await shoot('write')
await page.getByRole('button', { name: /^General comment \d/ }).click()
await student(/Elif/)
await open('read')
await page.getByText('Nothing was found').or(page.getByText('This is right')).first().waitFor()
await shoot('read')
await open('phrasebook')
await page.getByRole('button', { name: /^Mathematics \d/ }).click()
await page.getByRole('button', { name: /^outcome Reasoning, Secure/ }).click()
await page.getByRole('button', { name: 'Write a phrase' }).click()
await page
  .getByLabel('Write it about one student')
  .fill('Maya asks why a method works, and we gave her harder problems to try.')
await shoot('phrasebook')
await page.getByRole('button', { name: 'plan', exact: true }).click()
await shoot('phrasebook-plan')
await open('send')
await shoot('send')
await page.setViewportSize({ width: 390, height: 800 })
await page.goto(`${address}/write`)
await page.getByRole('textbox').first().waitFor()
await shoot('phone')
await page.setViewportSize({ width: 1280, height: 800 })
await page.goto(address)
await page.getByRole('button', { name: 'Sign out' }).click()
await page.waitForURL(/sign-in/)
await signIn('philippa')
await page.getByRole('link', { name: 'School' }).click()
await page.getByLabel('Given name').fill('Oda')
await page.getByLabel('Family name').fill('Brink')
await page.getByRole('button', { name: /^Take in/ }).click()
await page.getByText(/has a link until/).waitFor()
await shoot('school')
await page.goto(`${address}/school/subjects`)
await page.getByRole('button', { name: 'Mathematics', exact: true }).click()
await shoot('school-subjects')
await page.goto(`${address}/school/classes`)
await page.getByRole('button', { name: /^River strings/ }).click()
await page.getByLabel('out of').selectOption('6 Rowan')
await shoot('school-classes')
await page.goto(`${address}/my-settings`)
await page.getByText('What stands out').waitFor()
await shoot('my-settings')
await browser.close()
