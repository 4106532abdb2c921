import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import ExcelJS from 'exceljs'
import { lookedAt } from './lookedAt'
import { signIn } from './signedIn'

async function taken(page: Page, what: string): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: what }).click()
  const file = await coming
  return { name: file.suggestedFilename(), mimeType: '', buffer: await readFile(await file.path()) }
}

test('what came in goes out as workbook, CSV and OneRoster bundle, and nothing in it is new when it comes back', async ({
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
  await read.xlsx.load(book.buffer as unknown as ArrayBuffer)
  const sheet = read.getWorksheet('Results Mathematics')
  expect(sheet?.getCell('A6').value).toBe('05101')
  expect(sheet?.rowCount).toBe(5 + 24)

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
