import { execFileSync } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { saved, signInByForm } from './signedIn'

test('the main job: from a gradebook file to the report cards', async ({ page }) => {
  await signInByForm(page, 'ines')
  await page
    .getByRole('region', { name: '5 Juniper' })
    .getByRole('button', { name: /^gather/i })
    .click()

  // Gather: the guess is shown, the summary says what will change, the file is taken in.
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByLabel('Choose a gradebook file').setInputFiles('demo/files/mathematics-late-results.csv')
  await expect(page.getByLabel('Column 1 is')).toHaveValue('name')
  await expect(page.getByText('is no score')).toBeVisible()
  await page.getByRole('button', { name: /^Take in \d+ results/ }).click()
  await expect(page.getByText(/mathematics-late-results\.csv is in:/)).toBeVisible()
  await expect(page.getByRole('columnheader', { name: /^Speed and time quiz/ })).toBeVisible()

  // Settle: marks have moved; the teacher takes a proposal back and takes it again with one key.
  await page.getByRole('link', { name: /^Settle/ }).click()
  const mark = page.getByLabel('Settled mark of Umi Takahara')
  const proposed = await page
    .getByRole('row', { name: /Umi Takahara/ })
    .locator('td')
    .first()
    .innerText()
  await mark.fill('')
  await mark.press('Enter')
  await mark.focus()
  await mark.press('Enter')
  await expect(mark).toHaveValue(proposed.split(' ')[0] ?? '')
  await mark.fill('60')
  await mark.press('Enter')
  await expect(page.getByRole('row', { name: /Umi Takahara/ }).getByText('differs')).toBeVisible()
  await mark.focus()
  await page.getByRole('button', { name: 'Back to the computed mark' }).click()
  await expect(mark).toHaveValue(proposed.split(' ')[0] ?? '')

  // Habits: a symbol typed in a cell sets it and moves on.
  await page.getByRole('tab', { name: 'Habits' }).click()
  const cell = page.getByRole('gridcell', { name: /^Finn, Taking care/ })
  await cell.click()
  await page.keyboard.press('o')
  await expect(cell).toHaveAccessibleName('Finn, Taking care: O Often')
  await expect(page.getByRole('gridcell', { name: /^Will, Taking care/ })).toBeFocused()
  await cell.click()
  await page.keyboard.press('Delete')
  await expect(cell).toHaveAccessibleName('Finn, Taking care: empty')
  await page.getByLabel(/all get/).selectOption('N')
  await page.getByRole('button', { name: 'Fill 1 empty' }).click()
  await expect(cell).toHaveAccessibleName('Finn, Taking care: N Nearly always')

  // In any column the next cell is the one below.
  await page.getByRole('gridcell', { name: /^Finn, Deciding alone/ }).click()
  await page.keyboard.press('s')
  await expect(page.getByRole('gridcell', { name: /^Will, Deciding alone/ })).toBeFocused()

  // Write: drafts for the empty boxes, another wording, own words, on to the next student by key.
  await page.getByRole('link', { name: /^Write/ }).click()
  await page.getByRole('button', { name: /^Writing \d/ }).click()
  await page.getByRole('button', { name: /^Draft the \d+ empty/ }).click()
  await expect(page.getByText(/\d+ drafted\./)).toBeVisible()
  await page
    .getByRole('navigation', { name: 'Class list' })
    .getByRole('button', { name: /Finn Aaltonen/ })
    .click()
  const editor = page.getByRole('textbox', { name: 'Writing for Finn' })
  const composed = await editor.inputValue()
  expect(composed).toContain('Finn')
  await page.getByRole('button', { name: 'Another wording of all' }).click()
  await expect(editor).not.toHaveValue(composed)
  await editor.press('End')
  await editor.press('Control+End')
  await editor.pressSequentially(` "Rain" isn't long.`)
  await expect(editor).toHaveValue(/ “Rain” isn’t long\.$/)
  await editor.press('Control+z')
  await expect(editor).not.toHaveValue(/long\.$/)
  await editor.pressSequentially(' His poem about the ferry was a joy.')
  await expect(page.getByText('own words', { exact: true })).toBeVisible()
  await saved(page)
  await editor.press('Alt+PageDown')
  await expect(page.getByRole('textbox', { name: 'Writing for Will' })).toBeFocused()
  await page.reload()
  await page
    .getByRole('navigation', { name: 'Class list' })
    .getByRole('button', { name: /Finn Aaltonen/ })
    .click()
  await expect(page.getByRole('textbox', { name: 'Writing for Finn' })).toHaveValue(/ferry was a joy\.$/)

  // Send: the preview shows the comment; the class's PDF is made and holds it.
  await page.getByRole('link', { name: /^Send/ }).click()
  await expect(page.getByRole('article')).toContainText('His poem about the ferry was a joy.')
  await page.getByRole('button', { name: 'Make 24 report cards' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download the PDF' }).first().click(),
  ])
  const pages = execFileSync('pdftotext', [await download.path(), '-'], { encoding: 'utf8', maxBuffer: 64e6 }).replace(
    /\s+/g,
    ' ',
  )
  // A comment may go on over the foot of a page.
  const text = pages.replace(/Larkhollow School · Report card · [^·]+ · made [^·]+? page \d of \d /g, '')
  expect(text).toContain('His poem about the ferry was a joy.')
  expect(pages).toMatch(/page 1 of \d/)
})
