import { expect, test } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { saved, signIn } from './signedIn'

test('scores seen along the way propose one, and what was settled is asked about when they change', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await page.getByRole('tab', { name: 'Habits' }).click()
  const cell = page.getByRole('gridcell', { name: /^Leilani, Taking care/ })
  const before = /: (\S+)/.exec((await cell.getAttribute('aria-label')) ?? '')?.[1] ?? ''
  const noteSeen = async (symbol: string, day: string): Promise<void> => {
    await page.keyboard.press('Alt+j')
    const sheet = page.getByRole('dialog', { name: 'Note about Leilani' })
    await sheet.getByRole('combobox', { name: /^Score seen/ }).selectOption(symbol)
    await sheet.getByLabel('Day').fill(day)
    await page.keyboard.press('Control+Enter')
    await expect(sheet.getByText(`Kept: ${symbol}`)).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(sheet).toBeHidden()
  }
  await cell.click()
  await page.keyboard.press('Delete')
  await noteSeen('S', '2026-11-05')
  await noteSeen('N', '2026-11-12')
  await expect(cell).toHaveAttribute('aria-label', /: empty, N proposed$/)
  await expect(page.getByRole('img', { name: /Taking care.*from S Sometimes to N/ })).toBeVisible()
  await cell.focus()
  await page.keyboard.press('Enter')
  await expect(cell).toHaveAttribute('aria-label', /: N /)

  await cell.click()
  await noteSeen('S', '2026-11-19')
  await expect(cell).toHaveAttribute('aria-label', /: N /)
  const moved = page.getByRole('region', { name: /The record has changed since one score was settled/ })
  await expect(moved).toContainText('proposed N then, S now; settled N')
  expect(await lookedAt(page)).toEqual([[], 0])
  await moved.getByRole('button', { name: /^Keep what is settled for Leilani/ }).click()
  await expect(moved).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(cell).toHaveAttribute('aria-label', /: N /)
  await expect(moved).toBeHidden()
  await cell.click()
  await page.keyboard.press(before)
  await saved(page)
})

test('a mark is explained, compared as one likes, and seen across subjects and terms', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page
    .getByRole('navigation', { name: 'Class list' })
    .getByRole('button', { name: /^Hyun-woo/ })
    .click()

  const story = page.getByRole('region', { name: 'How this mark came about' })
  await story.getByText('Homework', { exact: true }).click()
  await expect(story.getByText('9 of 10 = 90 %').first()).toBeVisible()
  await expect(story).toContainText(/× .*=.*Rounded once, half up: \d+.%.*Reaches the pass line \(50.%, as is common/)

  await page.getByRole('button', { name: 'Compare with' }).click()
  await page.getByLabel('Most recent').uncheck()
  await page.getByLabel('Newer heavier').check()
  await page.getByRole('button', { name: 'Newer heavier: one column earlier' }).click()
  await page.keyboard.press('Escape')
  await page.reload()
  const heads = page.getByRole('columnheader')
  await expect(heads.filter({ hasText: /often|heavier|recent|term|Median/ })).toHaveText([
    'Median',
    'Most often',
    'Newer heavier',
    'Last term',
  ])
  expect(await lookedAt(page)).toEqual([[], 0])

  await page.getByLabel('All subjects').check()
  const row = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: /^Hyun-woo/ }) })
  const cells = await row.getByRole('cell').allInnerTexts()
  const [average, total, ...marks] = cells.map((cell) => Number(/[\d.]+/.exec(cell)?.[0]))
  expect(marks.reduce((sum, mark) => sum + mark, 0)).toBe(total)
  expect(average).toBe(Math.round(((total ?? 0) / marks.length) * 100) / 100)
  expect(await lookedAt(page)).toEqual([[], 0])
  await row.getByRole('button').nth(1).click()
  await expect(page.getByLabel('Subject', { exact: true })).toHaveValue('reading')

  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByLabel('All terms').check()
  await expect(page.getByRole('columnheader', { name: 'The year so far' })).toBeVisible()
  const terms = (await row.getByRole('cell').allInnerTexts()).map((cell) => Number(/\d+/.exec(cell)?.[0]))
  const [autumn = 0, winter = 0, soFar = 0] = terms
  expect(Math.abs((autumn + winter) / 2 - soFar)).toBeLessThanOrEqual(1)
  expect(await lookedAt(page)).toEqual([[], 0])
})

test('a school has rules of its own for a subject, told with their effect', async ({ page }) => {
  await signIn(page, 'philippa')
  await page.goto('/school/report')
  await page.getByLabel('Rules of').selectOption('Mathematics')
  await page.getByLabel('A category comes to').selectOption('its most recent result')
  await page.getByLabel('A pass is from, per cent').fill('40')
  await page.getByLabel('A pass is from, per cent').press('Tab')
  await expect(page.getByText(/\d+ of \d+ proposed marks would be others/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep these rules' }).click()
  await expect(page.getByRole('button', { name: 'Keep these rules' })).toBeHidden()
  await expect(page.getByRole('option', { name: 'Mathematics, has its own' })).toBeAttached()

  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  const story = page.getByRole('region', { name: 'How this mark came about' })
  await expect(story).toContainText(/the most recent, of 2 results/)
  await expect(story).toContainText('the pass line (40')
  await page.goto('/school/report')
  await page.getByLabel('Rules of').selectOption('Mathematics, has its own')
  await page.getByRole('button', { name: 'As in all subjects' }).click()
  await page.getByRole('button', { name: 'Keep these rules' }).click()
  await expect(page.getByRole('option', { name: 'Mathematics, has its own' })).toHaveCount(0)
})

test('a result that comes late moves a proposal; what is settled stays until it is decided', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  const cell = page.getByRole('textbox', { name: 'Settled mark of Niamh Castellanos' })
  const before = await cell.inputValue()
  // By the keyboard alone: emptied, then one key takes the proposal and goes on.
  await cell.fill('')
  await cell.press('Enter')
  await saved(page)
  await cell.focus()
  await page.keyboard.press('Enter')
  await expect(
    page
      .getByRole('textbox', { name: 'Settled mark of Rosa D’Amico' })
      .or(page.getByRole('textbox', { name: "Settled mark of Rosa D'Amico" })),
  ).toBeFocused()
  await expect(cell).toHaveValue(before)
  await saved(page)

  await page.getByRole('button', { name: /^Niamh Castellanos/ }).click()
  await page.getByRole('button', { name: 'What if' }).click()
  const trying = page.getByRole('form', { name: 'What if' })
  await trying.getByRole('textbox').first().fill('0')
  await trying.getByRole('button', { name: /Keep/ }).click()
  const moved = page.getByRole('region', { name: /The record has changed since one mark was settled/ })
  await expect(moved).toContainText(
    new RegExp(`Niamh Castellanos: proposed ${before} % then, \\d+ % now; settled ${before} %`),
  )
  await expect(cell).toHaveValue(before)
  expect(await lookedAt(page)).toEqual([[], 0])
  await moved.getByRole('button', { name: 'Keep what is settled for Niamh' }).click()
  await expect(moved).toBeHidden()
  await saved(page)
  // A step back asks again; and what was decided is not asked again, here or after the page is opened anew.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(moved).toBeVisible()
  await moved.getByRole('button', { name: /^Take \d+ % for Niamh/ }).click()
  await expect(moved).toBeHidden()
  await expect(cell).not.toHaveValue(before)
  const taken = await cell.inputValue()
  await saved(page)
  await page.reload()
  await expect(cell).toHaveValue(taken)
  await expect(moved).toBeHidden()
})

test('every stage shows its keys, and one field leads everywhere', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByRole('button', { name: /^Finn Aaltonen/ }).focus()
  await page.keyboard.press('?')
  const keys = page.getByRole('dialog', { name: 'Keys' })
  await expect(keys).toContainText('take what is proposed')
  await expect(keys).not.toContainText('Alt W')
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.keyboard.press('Escape')
  await expect(keys).toBeHidden()

  await page.keyboard.press('Control+k')
  const field = page.getByRole('combobox', { name: 'Go to' })
  await field.fill('meu zo')
  await expect(page.getByRole('option')).toHaveText(['Zoë van der Meulenstudent'])
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Zoë van der Meulen/ })).toHaveAttribute('aria-current', 'true')

  await page.keyboard.press('Control+k')
  await field.fill('write')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/write$/)
  // Where one types, a question mark is a question mark.
  const editor = page.getByRole('textbox', { name: /for Zoë/ })
  const text = await editor.inputValue()
  await editor.press('End')
  await editor.pressSequentially('?')
  await expect(keys).toBeHidden()
  await editor.press('Backspace')
  await expect(editor).toHaveValue(text)
  await saved(page)

  await page.keyboard.press('Control+k')
  await field.fill('xyzzy')
  await expect(page.getByText('Nothing here is called so.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(field).toBeHidden()
  await page.getByRole('button', { name: 'Go to' }).click()
  await field.fill('my sett')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/my-settings/)
})
