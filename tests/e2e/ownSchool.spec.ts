import { execFileSync } from 'node:child_process'
import { expect, test, type Page } from '@playwright/test'
import { addDays } from '../../core/addDays'
import { startEmptySchool, type EmptySchool } from './emptySchool'
import { lookedAt } from './lookedAt'

// A school of one's own, from an empty database to the first report card, as somebody new would go about it.
let school: EmptySchool
test.beforeAll(async () => {
  school = await startEmptySchool()
})
test.afterAll(() => school.stop())

async function setUpWith(page: Page, { key }: EmptySchool): Promise<void> {
  await page.getByLabel('Its name').fill('Willow School')
  const today = new Date().toLocaleDateString('sv-SE')
  await page.getByLabel('First day', { exact: true }).fill(addDays(today, -60))
  await page.getByLabel('Last day', { exact: true }).fill(addDays(today, 240))
  await page.getByLabel('Given name').fill('Ada')
  await page.getByLabel('Family name').fill('Moss')
  await expect(page.getByLabel('You sign in as')).toHaveValue('ada.moss')
  await page.getByLabel('Password').fill('harbour lantern spoon')
  await page.getByLabel(/It was printed/).fill('not the key')
  await page.getByRole('button', { name: 'Set up Willow School' }).click()
  await expect(page.getByRole('alert')).toContainText('not the key that the console printed')
  await page.getByLabel(/It was printed/).fill(key)
  await page.getByRole('button', { name: 'Set up Willow School' }).click()
  await expect(page.getByRole('heading', { name: /^Classes and students of/ })).toBeVisible()
}

async function addClass(page: Page): Promise<void> {
  await page.getByLabel('Name of a new class').fill('5 Willow')
  await page.getByRole('button', { name: 'Add class' }).click()
  await expect(page.getByLabel('Class', { exact: true })).toHaveValue('5 Willow')
  await page.getByLabel('Paste the class list').fill('Maya\tReed\tshe/her\nKit\tBae\tthey/them\nOmar\tO’Hara\the/him')
  await page.getByRole('button', { name: 'Take 3 students in' }).click()
  await expect(page.getByLabel('Family name of Omar O’Hara')).toHaveValue('O’Hara')
  await page.getByLabel('Called of Kit Bae').fill('Kip')
  await page.getByLabel('Called of Kit Bae').press('Tab')
  await expect(page.getByLabel('Called of Kip Bae')).toHaveValue('Kip')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Called of Kit Bae')).toHaveValue('Kit')
  expect(await lookedAt(page)).toEqual([[], 0])
}

async function addSubject(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Subjects and skills' }).click()
  await page.getByLabel('Name of a new subject').fill('Chess')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByLabel('A new skill in Chess').fill('Plans and castles')
  await page.getByRole('button', { name: 'Add skill' }).click()
  await expect(page.getByText('planning and castles')).toBeVisible()
  // The verb that was not known is made one by a click.
  await page.getByRole('button', { name: 'castles, no verb' }).click()
  await expect(page.getByText('planning and castling')).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  for (const part of ['Scales', 'Habits', 'Comment boxes', 'Terms']) {
    await page.getByRole('link', { name: part, exact: true }).click()
    await expect(page.getByRole('heading', { name: new RegExp(`^${part} of`) })).toBeVisible()
    expect([part, await lookedAt(page)]).toEqual([part, [[], 0]])
  }
}

async function nextYear(page: Page): Promise<void> {
  await page.goto(`${school.address}/school/terms`)
  await page.getByRole('button', { name: /^Make .* from this year/ }).click()
  await page.getByRole('checkbox', { name: /Kit Bae/ }).uncheck()
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('button', { name: /^Make \d/ }).click()
  await page.getByRole('link', { name: 'Classes and students' }).click()
  await expect(page.getByRole('button', { name: '6 Willow' })).toBeVisible()
  await expect(page.getByLabel('Grade of Maya Reed')).toHaveValue('6')
  await expect(page.getByLabel('Grade of Kit Bae')).toBeHidden()
  await page.getByLabel('Year').selectOption({ index: 0 })
  await expect(page.getByLabel('Grade of Kit Bae')).toHaveValue('5')
}

/** Everything goes out as a school folder; another empty school begins from it, and takes its year in whole. */
async function beginAnother(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'School folder' }).click()
  expect(await lookedAt(page)).toEqual([[], 0])
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save everything' }).click()
  const folder = await (await download).path()
  const other = await startEmptySchool()
  try {
    await page.goto(other.address)
    await page
      .getByLabel('Choose a school folder')
      .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') })
    await expect(page.getByRole('alert')).toContainText('This is no zip of a school folder')
    await page.getByLabel('Choose a school folder').setInputFiles(folder)
    await expect(page.getByLabel('A school folder from elsewhere')).toBeChecked()
    await expect(page.getByText('people, classes and results of')).toBeVisible()
    await expect(page.getByLabel('Its name')).toHaveValue('Willow School')
    await setUpWith(page, other)
    await page.getByRole('link', { name: 'Subjects and skills' }).click()
    await page.getByRole('button', { name: 'Chess' }).click()
    await expect(page.getByText('planning and castling')).toBeVisible()
    await page.getByRole('link', { name: 'School folder' }).click()
    await page.getByLabel('Choose a folder').setInputFiles(folder)
    await expect(page.getByText('3 students')).toBeVisible()
    expect(await lookedAt(page)).toEqual([[], 0])
    await page.getByRole('button', { name: /^Take .* in$/ }).click()
    await expect(page.getByText('is in, with its people and classes')).toBeVisible()
    await page.goto(`${other.address}/write`)
    await page.getByRole('combobox', { name: 'Comment box' }).selectOption('chess')
    await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Maya/ }).click()
    await expect(page.getByRole('textbox', { name: 'Chess for Maya' })).toHaveValue(/^Maya .*(plan|planning) and castl/)
  } finally {
    await other.stop()
  }
}

test('an empty school is set up, and its first report card printed', async ({ page }) => {
  // Two schools are set up and a year moves between them: most of it is waiting for servers to start.
  test.setTimeout(300_000)
  await page.goto(school.address)
  await expect(page.getByRole('heading', { name: 'Set up your school' })).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  await setUpWith(page, school)
  await addClass(page)
  await addSubject(page)

  await page.getByRole('link', { name: 'People', exact: true }).click()
  await page.getByLabel('A class or subject for Ada Moss').selectOption('5 Willow: home class')
  await page.getByRole('button', { name: 'Give it to Ada' }).click()
  await page.getByRole('link', { name: 'Your desk' }).click()
  await page.getByRole('region', { name: '5 Willow' }).getByRole('button').first().click()
  await expect(page).toHaveURL(/\/gather$/)
  await page.goto(`${school.address}/settle`)
  await page.getByLabel('Subject', { exact: true }).selectOption('Chess')
  await page.getByRole('tab', { name: 'Skills in Chess' }).click()
  await page.getByRole('gridcell', { name: /^Maya, Plans and castles/ }).click()
  await page.keyboard.press('2')
  await page.keyboard.press('3')
  await expect(page.getByRole('gridcell', { name: /^Kit, Plans and castles: 3/ })).toBeVisible()

  await page.getByRole('link', { name: /^Write/ }).click()
  await page.getByRole('combobox', { name: 'Comment box' }).selectOption('chess')
  await page.getByRole('button', { name: /^Draft .*empty/ }).click()
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Maya/ }).click()
  await expect(page.getByRole('textbox', { name: 'Chess for Maya' })).toHaveValue(/^Maya .*(plan|planning) and castl/)

  await page.getByRole('link', { name: /^Send/ }).click()
  await page.getByRole('button', { name: /^Make 3 report cards/ }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: /PDF/ }).first().click()
  const file = await (await download).path()
  const text = execFileSync('pdftotext', ['-layout', file, '-']).toString()
  await nextYear(page)
  await beginAnother(page)
  expect(text).toContain('Willow School')
  expect(text).toMatch(/Maya .*(plan|planning) and castl/)
})

test('a class of nobody says so, and what to do', async ({ page }) => {
  const empty = await startEmptySchool()
  try {
    await page.goto(empty.address)
    await setUpWith(page, empty)
    await page.getByLabel('Name of a new class').fill('Foxes')
    await page.getByRole('button', { name: 'Add class' }).click()
    await expect(page.getByLabel('Class', { exact: true })).toHaveValue('Foxes')
    await page.getByRole('link', { name: 'Your desk' }).click()
    await page.getByRole('region', { name: 'Foxes' }).getByRole('button').first().click()
    await expect(page.getByRole('heading', { name: 'Nobody is in Foxes yet' })).toBeVisible()
    expect(await lookedAt(page)).toEqual([[], 0])
    await page.getByRole('link', { name: 'Classes and students' }).click()
    // The list that is pasted right after another class was added goes into that class.
    await page.getByLabel('Name of a new class').fill('Owls')
    await page.getByRole('button', { name: 'Add class' }).click()
    await expect(page.getByLabel('Class', { exact: true })).toHaveValue('Owls')
    await page.getByLabel('Paste the class list').fill('Maya Reed')
    await page.getByRole('button', { name: 'Take 1 student in' }).click()
    await expect(page.getByLabel('Family name of Maya Reed')).toHaveValue('Reed')
    await expect(page.getByRole('button', { name: 'Owls 1' })).toBeVisible()
  } finally {
    await empty.stop()
  }
})
