import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { lookedAt } from './lookedAt'
import { saved, signIn } from './signedIn'

// What lies behind results and levels, as its teacher brings it in, types it and looks at it.

const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

test('results question by question are brought, opened from the result, typed, and told beside their skill', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByLabel('Subject', { exact: true }).selectOption('Science')
  await page.getByRole('gridcell').first().click()
  await page.getByRole('button', { name: 'Change this piece of work' }).click()
  await page.getByText('Questions', { exact: true }).click()
  await page.getByRole('button', { name: 'Add a question' }).click()
  await page.getByLabel('Question 1: what is asked').fill('Which way does it flow?')
  const skill = page.getByLabel('Question 1: skill')
  const shown = (await skill.getByRole('option').nth(1).textContent()) ?? ''
  await skill.selectOption({ index: 1 })
  await page.getByLabel('Question 1: out of').fill('4')
  await page.getByRole('button', { name: 'Keep the questions' }).click()
  const door = page.locator('details').filter({ hasText: 'Bring the results of each question' }).last()
  await door.getByText('Bring the results of each question').click()
  await door
    .getByLabel('Choose a file')
    .setInputFiles(csv('paper.csv', 'Name,Q1,Q2 (6)\nFinn Aaltonen,3,5\nNobody,1,1\n'))
  await expect(door.getByRole('status')).toContainText('3 values new, 0 changed, 0 as they are, 1 refused')
  expect(await lookedAt(page)).toEqual([[], 0])
  await door.getByRole('button', { name: 'Take 3 values in' }).click()
  await expect(page.getByText('75 %')).toBeVisible()

  const margin = page.getByRole('region', { name: 'Results of one student' })
  await expect(margin.getByLabel('Question 1, out of 4')).toHaveValue('3')
  await margin.getByLabel('Question 1, out of 4').fill('9')
  await margin.getByLabel('Question 1, out of 4').blur()
  await expect(margin.getByRole('alert')).toContainText('Question 1 is out of 4')
  await expect(margin.getByLabel('Question 1, out of 4')).toHaveValue('3')
  await margin.getByLabel('Question 1, out of 4').fill('1,5')
  await margin.getByLabel('Question 1, out of 4').blur()
  await saved(page)
  await page.reload()
  await margin.getByRole('button', { name: 'Question by question' }).click()
  await expect(margin.getByRole('row', { name: /Which way does it flow\?/ }).last()).toContainText('1.5 / 4')

  await page.goto('/settle')
  await page.getByRole('tab', { name: 'Skills' }).click()
  await page.getByRole('gridcell', { name: new RegExp(`^Finn.*${shown}`) }).click()
  const evidence = page.getByRole('complementary').or(page.locator('#margin'))
  await expect(evidence.getByText('Questions that show it')).toBeVisible()
  await expect(evidence.getByText('1.5 / 4')).toBeVisible()
})

test('the register is kept by the keyboard, also while the server is away', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByRole('tab', { name: 'Attendance' }).click()
  await page.getByLabel('Register, day by day').check()
  const cell = page.getByRole('gridcell', { name: /^Will, / }).last()
  await expect(cell).toBeVisible()
  await page.route('**/register', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()))
  await page
    .getByRole('gridcell', { name: /^Will, / })
    .last()
    .focus()
  await page.keyboard.press('a')
  await page.keyboard.press('l')
  await expect(page.getByRole('gridcell', { name: /^Hyun-woo, .*: late$/ })).toHaveCount(1)
  await page.getByRole('button', { name: /^Everybody else was there on/ }).click()
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.reload()
  await expect(page.getByRole('gridcell', { name: /^Will, .*: absent$/ })).toHaveCount(1)
  await page.unroute('**/register')
  await saved(page)
  await page.reload()
  await expect(page.getByRole('gridcell', { name: /: present$/ })).toHaveCount(22)
  await expect(page.getByText(/given apart from the register/)).toBeVisible()
  const takeAway = async (names: readonly RegExp[]): Promise<void> => {
    for (const name of names) {
      await page.getByRole('gridcell', { name }).focus()
      await page.keyboard.press('Delete')
    }
    await saved(page)
  }
  await takeAway([/^Hyun-woo, .*: late$/, /^Tamsin, .*: present$/])
  await takeAway([/^Will, .*: absent$/])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('gridcell', { name: /^Will, .*: absent$/ })).toHaveCount(1)
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByRole('gridcell', { name: /^Will, .*: absent$/ })).toHaveCount(0)
})

test('practice comes from a list and is told as a chart with its table', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByText('Bring levels, habits, marks').click()
  const door = page.locator('details').filter({ hasText: 'Bring levels, habits, marks' })
  await door.getByLabel('names no program').fill('Page Turners')
  await door
    .getByLabel('Choose a file')
    .setInputFiles(
      csv('weeks.csv', 'Name;Week;Minutes;Out of\nFinn Aaltonen;2026-11-02;40;60\nFinn Aaltonen;2026-11-16;1:10;60\n'),
    )
  await door.getByRole('button', { name: 'Take 2 values in' }).click()
  await expect(door.getByRole('textbox', { name: /^Bring levels/ })).toHaveValue('')
  await page.goto('/write')
  const margin = page.getByRole('region', { name: 'About Finn' })
  await expect(margin.getByRole('img', { name: /^Minutes a week in Page Turners: 37 at the mean/ })).toBeVisible()
  await margin.getByText('As a table').click()
  await expect(margin.getByRole('row', { name: '9 Nov 0 –' })).toBeVisible()
  await expect(margin.getByRole('row', { name: '16 Nov 70 60' })).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
})

test('photos come in a zip named by school number, stand beside the evidence, and are taken back', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  const picture = strToU8('not a picture')
  const drawn = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(1200, 1600)
    canvas.getContext('2d')?.fillRect(0, 0, 600, 1600)
    const blob = await canvas.convertToBlob({ type: 'image/png' })
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  const zip = zipSync({
    '../../05101.png': Uint8Array.from(drawn),
    'class/Will Ashgrove.png': Uint8Array.from(drawn),
    'class/99999.png': Uint8Array.from(drawn),
    '__MACOSX/._05101.png': picture,
    'class/readme.jpg': picture,
  })
  await page.getByText('Photos of the class').click()
  const door = page.locator('details').filter({ hasText: 'Photos of the class' })
  await door
    .getByLabel(/^Choose pictures/)
    .setInputFiles({ name: 'photos.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
  const brought = door.getByRole('list', { name: 'Photos that were brought' })
  await expect(brought.getByRole('listitem')).toHaveText(['Finn Aaltonen', 'Will Ashgrove'])
  await expect(door.getByText('No child here has the number or the name “99999”.')).toBeVisible()
  await expect(door.getByText('class/readme.jpg: This is no picture that can be read.')).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  await door.getByRole('button', { name: 'Keep 2 photos' }).click()
  await expect(door.getByRole('button', { name: 'Take the photo of Will away' })).toBeVisible()
  await page.getByRole('link', { name: /^Write/ }).click()
  const photo = page.getByRole('region', { name: 'About Finn' }).locator('img')
  await expect(photo).toHaveJSProperty('naturalWidth', 360)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(photo).toHaveCount(0)
})

test('a list to write into has the columns that were named, and comes as a PDF', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByText('Print a list to write into').click()
  await page.getByLabel('What it is for').fill('Reading circle')
  await page.getByLabel('Column 1: heading').fill('Reads with expression')
  await page.getByLabel('Column 1: millimetres wide').fill('120')
  await expect(page.getByText(/38 mm too wide together/)).toBeVisible()
  await page.getByLabel('Column 1: millimetres wide').fill('40')
  await expect(page.getByRole('columnheader', { name: 'Reads with expression' })).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Make the PDF' }).click()
  const file = await coming
  expect(file.suggestedFilename()).toContain('Reading circle')
  expect((await readFile(await file.path())).subarray(0, 5).toString()).toBe('%PDF-')
})

test('who teaches several classes works through them as one list', async ({ page }) => {
  await signIn(page, 'tobias')
  await page.goto('/write')
  const list = page.getByRole('navigation', { name: 'Class list' })
  await list.getByLabel('all my classes').check()
  const rooms = list.getByRole('heading')
  await expect(rooms).toHaveCount(2)
  const [first, second] = await rooms.allTextContents()
  expect([first, second].map((text) => text?.replace(/(\d+ left|done)$/, ''))).toEqual(['5 Juniper', 'River strings'])
  const names = list.getByRole('button')
  await names.first().click()
  await page.keyboard.press('End')
  await expect(page.getByLabel('Class', { exact: true }).locator('option:checked')).toHaveText('River strings')
  await expect(names.last()).toBeFocused()
  await expect(names.last()).toHaveAttribute('aria-current', 'true')
  expect(await lookedAt(page)).toEqual([[], 0])
  // The list stood in a sheet meanwhile, and comes back beside the work.
  await expect(rooms).toHaveCount(2)
  await names.last().press('Home')
  await expect(page.getByLabel('Class', { exact: true }).locator('option:checked')).toHaveText('5 Juniper')
  const all = await names.count()
  await list.getByLabel('only with work left here').check()
  expect(await names.count()).toBeLessThanOrEqual(all)
  await list.getByLabel('all my classes').uncheck()
  await expect(names).toHaveCount(24)
})
