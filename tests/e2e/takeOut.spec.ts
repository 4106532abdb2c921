import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import ExcelJS from 'exceljs'
import { lookedAt } from './lookedAt'
import { signIn } from './signedIn'

interface Taken {
  name: string
  mimeType: string
  buffer: Buffer
  path: string
}

async function taken(page: Page, what: string): Promise<Taken> {
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: what }).click()
  const file = await coming
  const path = await file.path()
  return { name: file.suggestedFilename(), mimeType: '', buffer: await readFile(path), path }
}

test('what came in goes out as workbook, CSV and OneRoster, and nothing is new when it comes back', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByText('Take out what came in').click()
  expect(await lookedAt(page)).toEqual([[], 0])
  const [book, csv, bundle] = [
    await taken(page, 'A workbook (XLSX)'),
    await taken(page, 'CSV files'),
    await taken(page, 'A OneRoster bundle'),
  ]
  expect([book.name, csv.name, bundle.name].map((name) => name.split('.').at(-1))).toEqual(['xlsx', 'zip', 'zip'])
  const read = new ExcelJS.Workbook()
  await read.xlsx.readFile(book.path)
  const sheet = read.getWorksheet('Results Mathematics')
  expect(sheet?.getCell('A7').value).toBe('05101')
  expect(sheet?.rowCount).toBe(6 + 24)

  for (const file of [book, bundle]) {
    await page.getByLabel('Choose a gradebook file').setInputFiles(file)
    await expect(page.getByRole('combobox', { name: 'Sheet' })).toHaveValue(
      /^(Results Mathematics|.*Mathematics: results)$/,
    )
    await expect(page.getByRole('button', { name: 'Nothing in it is new' })).toBeVisible()
    await page.getByRole('button', { name: 'Leave the file' }).click()
  }

  // Levels, habits, attendance and notes, by the other door.
  await page.getByText('Bring levels, habits, marks').click()
  const door = page.locator('details').filter({ hasText: 'Bring levels, habits, marks' })
  await door.getByLabel('Choose a file').setInputFiles(book)
  for (const name of ['Levels', 'Habits', 'Attendance', 'Notes']) {
    await door.getByRole('combobox', { name: 'Sheet' }).selectOption(name)
    await expect(door.getByRole('status')).toContainText(/^0 values new, 0 changed, [1-9]\d* as they are, 0 refused/)
  }
})

test('several files dropped together are sorted by what is in them, and each goes to its door', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByLabel('Subject', { exact: true }).selectOption('Art')
  await page.getByRole('tab', { name: 'Results' }).click()
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page
    .getByLabel('Choose a gradebook file')
    .setInputFiles([
      file('clay.csv', 'Number,Clay owl\nOut of,20\n05101,17\n'),
      file('days.csv', 'Name;Absent;Late\nFinn Aaltonen;9;2\n'),
      file('holiday.csv', '%PDF-1.7 no table'),
    ])
  const brought = page.getByRole('region', { name: 'Files that were brought' })
  await expect(brought.getByRole('listitem')).toHaveCount(3)
  await expect(brought.getByRole('listitem').nth(0)).toContainText('a gradebook, 3 rows')
  await expect(brought.getByRole('listitem').nth(1)).toContainText('a list of the class, 2 rows')
  await expect(brought.getByRole('listitem').nth(2)).toContainText('This is a PDF')
  expect(await lookedAt(page)).toEqual([[], 0])
  await brought.getByRole('button', { name: 'Look at days.csv' }).click()
  const door = page.locator('details').filter({ hasText: 'Bring levels, habits, marks' })
  await expect(door.getByText(/Finn Aaltonen: absent 9 of \d+ days, late 2/)).toBeVisible()
  await brought.getByRole('button', { name: 'Look at clay.csv' }).click()
  await expect(page.getByRole('button', { name: 'Take in 1 result' })).toBeVisible()
  await page.getByRole('button', { name: 'Leave the file' }).click()
  await expect(brought.getByRole('listitem').nth(0)).toContainText('looked at')
})

test('a file is corrected at a column, at a row, by a sign and by who they are, and comes in as was said', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByLabel('Subject', { exact: true }).selectOption('Art')
  const csv = 'Name,Owl,Effort 1,Vase,Effort 2\nIn all,20,,30,\nFinn,17,3,24,2\nUmi,14,1,z,3\nTamsin,9,2,15,1\n'
  await page
    .getByLabel('Choose a gradebook file')
    .setInputFiles({ name: 'corrected.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByLabel('Column 3 is')).toHaveValue('score')
  await page.getByLabel('Column 3 is').selectOption('Leave out')
  await expect(page.getByLabel('Column 5 is')).toHaveValue('ignore')
  await page.getByRole('button', { name: 'Only “Effort 1”' }).click()
  await expect(page.getByLabel('Column 5 is')).toHaveValue('score')
  await page.getByLabel('Column 5 is').selectOption('Leave out')
  await page.getByLabel('Row 2 is').selectOption('Out of')
  await expect(page.getByRole('button', { name: 'Say first who they are' })).toBeDisabled()
  await page.getByRole('button', { name: 'Yes, all 3 are who they seem to be' }).click()
  await expect(page.getByRole('button', { name: 'Take in 5 results' })).toBeEnabled()
  await page.getByLabel('“z” means').selectOption('excused')
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('button', { name: 'Take in 6 results' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'corrected.csv is in: 6 new' })).toBeVisible()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('button', { name: 'Owl' })).toHaveCount(0)
})

test('what one school takes out as a OneRoster bundle, another year takes in: looked at, taken in, undone', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByText('Take out what came in').click()
  const bundle = await taken(page, 'A OneRoster bundle')
  await page.getByRole('button', { name: 'Sign out' }).click()

  await signIn(page, 'philippa')
  await page.goto('/school/folder')
  const door = page.getByRole('region', { name: 'A OneRoster bundle into this year' })
  await door.getByLabel('Choose a bundle').setInputFiles(bundle)
  await expect(door.getByRole('listitem')).toHaveText([
    '0 new children, 24 known',
    /^0 new pieces of work, 0 changed, \d+ as they are$/,
    /^0 new results, 0 changed, \d+ as they are$/,
  ])
  await expect(door.getByRole('button', { name: 'Nothing in it is new' })).toBeDisabled()

  // The same with one child more and one result changed.
  const { strFromU8, strToU8, unzipSync, zipSync } = await import('fflate')
  const files = unzipSync(new Uint8Array(bundle.buffer))
  const more = (name: string, line: (head: string[]) => Record<string, string>): void => {
    const text = strFromU8(files[name] ?? new Uint8Array())
    const head = (text.split('\r\n')[0] ?? '').split(',')
    const cells = line(head)
    files[name] = strToU8(`${text}${head.map((heading) => cells[heading] ?? '').join(',')}\r\n`)
  }
  const room =
    strFromU8(files['enrollments.csv'] ?? new Uint8Array())
      .split('\r\n')[1]
      ?.split(',')[3] ?? ''
  more('users.csv', () => ({
    sourcedId: 'new',
    givenName: 'Orla',
    familyName: 'Weir',
    identifier: '99001',
    grades: '5',
  }))
  more('enrollments.csv', () => ({ sourcedId: 'e', classSourcedId: room, userSourcedId: 'new', role: 'student' }))
  const choose = (): Promise<void> =>
    door
      .getByLabel('Choose a bundle')
      .setInputFiles({ name: 'more.zip', buffer: Buffer.from(zipSync(files)), mimeType: 'application/zip' })
  await choose()
  await expect(door.getByRole('listitem').first()).toHaveText('1 new child, 24 known')
  expect(await lookedAt(page)).toEqual([[], 0])
  await door.getByRole('button', { name: 'Take it in' }).click()
  await expect(door.getByRole('status')).toContainText('is in: 1 new child, 24 known; 1 place in classes')
  await choose()
  await expect(door.getByRole('listitem').first()).toHaveText('0 new children, 25 known')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Bring it back' })).toBeVisible()
  await choose()
  await expect(door.getByRole('listitem').first()).toHaveText('1 new child, 24 known')
})
