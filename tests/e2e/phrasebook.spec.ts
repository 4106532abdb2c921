import ExcelJS from 'exceljs'
import { readFileSync, writeFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { openComment, saved, signIn } from './signedIn'

async function openPlace(page: Page, name: RegExp): Promise<void> {
  await page.goto('/phrasebook')
  await page.getByRole('button', { name: /^Mathematics \d/ }).click()
  await page.getByRole('button', { name }).click()
}

test('a teacher writes a phrase in plain English, sees it for four students, and drafts with it', async ({ page }) => {
  await signIn(page, 'ines')
  await openPlace(page, /^outcome Reasoning, Secure: \d+ wordings/)
  const list = page.getByRole('region', { name: 'Phrases here' })
  const before = await list.getByRole('listitem').count()
  await page.getByRole('button', { name: 'Write a phrase' }).click()
  const editor = page.getByRole('textbox', { name: 'Write it about one student' })
  await editor.fill('Maya asks why, helps classmates when they are stuck and gave her own proof.')
  await expect(page.getByText('Does “they” mean others here')).toBeVisible()
  await page.getByRole('button', { name: 'just these words', exact: true }).click()
  await expect(page.getByText('Does “they” mean others here')).toBeHidden()
  const preview = page.getByRole('list', { name: 'How it would read' })
  await expect(preview).toContainText('They ask why, help classmates when they are stuck and gave their own proof.')
  await expect(preview).toContainText('She asks why, helps classmates when they are stuck and gave her own proof.')
  // A marked word is corrected with a click: the verb is none.
  await page.getByRole('button', { name: 'asks: a verb that agrees' }).click()
  await page.getByRole('menuitem', { name: 'just these words' }).click()
  await expect(preview).toContainText('They asks why')
  await page.getByRole('button', { name: 'asks: just these words' }).click()
  await page.getByRole('menuitem', { name: 'a verb that agrees' }).click()
  await page.getByRole('button', { name: 'Put into my phrases' }).click()
  await expect(list.getByRole('listitem')).toHaveCount(before + 1)
  await expect(list.getByText('yours')).toBeVisible()
  // A school phrase is the coordinator's to change.
  await list.getByRole('listitem').first().getByRole('button').click()
  await expect(page.getByText('the coordinator changes it')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(list.getByRole('listitem')).toHaveCount(before)
})

test('a phrase for an uneven strand tells facts of the record, and is shown for those of whom it would be said', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/phrasebook')
  await page.getByRole('button', { name: /^Reading \d/ }).click()
  await page.getByRole('button', { name: /^outcome Understanding, Uneven: \d+ wordings/ }).click()
  await page.getByRole('button', { name: 'Write a phrase' }).click()
  await page.getByText('Facts of the record, and the notation').click()
  const notation = page.getByLabel('The phrase in the notation')
  await notation.fill('{They} {likes} , but not yet .')
  const putIn = async (fact: string, after: string): Promise<void> => {
    await notation.evaluate((area: HTMLTextAreaElement, words) => {
      area.focus()
      area.selectionStart = area.selectionEnd = area.value.indexOf(words) + words.length
    }, after)
    await page.getByRole('button', { name: fact, exact: true }).click()
  }
  await putIn('strongest skill', '{likes} ')
  await putIn('weakest skill', 'not yet ')
  await expect(notation).toHaveValue('{They} {likes} {#strongest skill}, but not yet {#weakest skill}.')
  const preview = page.getByRole('list', { name: 'How it would read' })
  // Of four students those come first whose two skills lie far apart, one of each set of pronouns where there is one.
  await expect(preview.getByRole('listitem').first()).toContainText(
    /likes? (retelling|finding facts).*, but not yet (retelling|finding facts)/,
  )
  await expect(preview.getByRole('listitem').first()).not.toContainText('not said')
  await expect(preview.getByText('not said, as things stand').first()).toBeVisible()
  await page.getByRole('button', { name: 'Put into my phrases' }).click()
  await expect(page.getByRole('region', { name: 'Phrases here' }).getByText('yours')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Phrases here' }).getByText('yours')).toBeHidden()
})

test('the coordinator changes a phrase, a plan by keyboard, and takes a file in', async ({ page }, testInfo) => {
  await signIn(page, 'philippa')
  await openPlace(page, /^outcome Number, Secure: \d+ wordings/)
  const list = page.getByRole('region', { name: 'Phrases here' })
  await list.getByRole('listitem').first().getByRole('button').click()
  await page.getByText('Facts of the record, and the notation').click()
  const notation = page.getByLabel('The phrase in the notation')
  const old = await notation.inputValue()
  await notation.fill('{They} {adds} {~steadily')
  await expect(page.getByRole('alert')).toContainText('At character')
  await notation.fill('{They} {adds} and {subtracts} like clockwork.')
  await page.getByRole('button', { name: 'Save the phrase' }).click()
  await expect(list).toContainText('Maya adds and subtracts like clockwork.')
  await page.getByRole('button', { name: 'History' }).click()
  await page.getByRole('button', { name: 'Undo this change' }).click()
  await expect(list).not.toContainText('like clockwork')

  await page.getByRole('button', { name: 'plan', exact: true }).click()
  const plan = page.getByRole('region', { name: 'Plan' }).getByRole('listitem')
  const second = await plan.nth(1).innerText()
  const planKept = () => page.waitForResponse((answer) => answer.url().endsWith('/plan') && answer.ok())
  /** The plan is kept, and the class is read again as it then stands. */
  const planShown = () => planKept().then(() => page.waitForResponse('**/api/classes/*/*'))
  await Promise.all([planShown(), page.getByRole('button', { name: 'outcome Number: down' }).press('Enter')])
  await expect(plan.nth(2)).toContainText(second.split('\n')[0] ?? '')
  await Promise.all([planShown(), page.getByRole('button', { name: 'outcome Number: up' }).press('Enter')])
  await expect(plan.nth(1)).toContainText('outcome Number')
  await Promise.all([planShown(), plan.nth(3).locator('.handle').dragTo(plan.nth(1).locator('.handle'))])
  await expect(plan.nth(1)).toContainText('outcome Reasoning')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(plan.nth(1)).toContainText('outcome Number')
  const howMany = page.getByRole('combobox', { name: 'how many of outcome Number' })
  await Promise.all([planKept(), howMany.selectOption('at most 1')])
  const need = page.getByRole('combobox', { name: 'next step is said' })
  await Promise.all([planKept(), need.selectOption('must be said')])
  await page.reload()
  await page.getByRole('button', { name: 'plan', exact: true }).click()
  await expect(howMany.locator('option:checked')).toHaveText('at most 1')
  await expect(need).toHaveValue('must')
  await Promise.all([planKept(), howMany.selectOption('all of them')])
  await Promise.all([planKept(), need.selectOption('if there is room')])

  await page.getByRole('button', { name: 'files', exact: true }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^Save all \d+ phrases/ }).click(),
  ])
  const path = testInfo.outputPath('phrasebook.csv')
  const rows = readFileSync(await download.path(), 'utf8').split('\r\n')
  writeFileSync(
    path,
    [
      rows[0],
      rows[1],
      rows[2]?.replace(' a ', ' one '),
      'new-1,any,closing,any,top,Splendid!,,',
      'bad-1,any,closing,any,great,{Oops,,',
    ].join('\n'),
  )
  await page.getByLabel('Bring a phrasebook file').setInputFiles(path)
  await expect(page.getByText('1 new, 1 changed, 1 unchanged, 1 doubtful')).toBeVisible()
  await expect(page.getByText(/^Row 5: levels/)).toBeVisible()
  await page.getByRole('button', { name: 'Put in 1 new and 1 changed phrases' }).click()
  await expect(page.getByText('1 put in, 1 changed')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  expect(old).toContain('{They}')

  // The same from a workbook, on its second sheet.
  const book = new ExcelJS.Workbook()
  book.addWorksheet('About').addRow(['Our phrases'])
  const sheet = book.addWorksheet('Phrases')
  for (const line of [rows[0] ?? '', 'new-2,any,closing,any,top,Splendid!,,']) sheet.addRow(line.split(','))
  await page.getByLabel('Bring a phrasebook file').setInputFiles({
    name: 'phrases.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: Buffer.from(await book.xlsx.writeBuffer()),
  })
  await expect(page.getByText('1 new, 0 changed, 0 unchanged, 0 doubtful')).toBeVisible()
})

test('findings are mended, said to be right, and found by the grammar checker in its worker', async ({ page }) => {
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Umi Takahara/, 'Umi')
  await editor.fill(
    'Umi draws with a stedy hand. He helped Zoë to mix the the colours she needed for a large picture of the weir.',
  )
  const findings = page.getByRole('region', { name: 'Findings' })
  await findings.getByRole('button', { name: 'Write “She”' }).click()
  await expect(editor).toHaveValue(/She helped Zoë/)
  await findings.getByRole('button', { name: 'Write “the” once' }).click()
  await findings.getByRole('button', { name: 'This is right: another name' }).click()
  await expect(findings.getByText('another name')).toBeHidden()
  await findings.getByRole('button', { name: 'Write “steady”' }).click({ timeout: 90_000 })
  await expect(editor).toHaveValue(
    'Umi draws with a steady hand. She helped Zoë to mix the colours she needed for a large picture of the weir.',
  )
  await saved(page)
  await page.reload()
  await expect(page.getByRole('region', { name: 'About Umi' })).toBeVisible()
  await expect(page.getByText('another name')).toBeHidden()
})

test('a comment falls out of step when a level changes, and is brought back with the teacher’s words kept', async ({
  page,
}) => {
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Science', /Priya/, 'Priya')
  if ((await editor.inputValue()) === '') await page.getByRole('button', { name: 'Draft from the record' }).click()
  await editor.press('Control+End')
  await editor.pressSequentially(' Her drawing of the heron is on our wall.')
  const before = await editor.inputValue()
  await saved(page)
  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Science')
  await page.getByRole('tab', { name: /^Skills/ }).click()
  const cell = page.getByRole('gridcell', { name: /^Priya, Describes food webs/ })
  await cell.click()
  await page.keyboard.press((await cell.innerText()).trim() === '1' ? '5' : '1')
  await saved(page)
  await page.goto('/write')
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Priya/ }).click()
  const notice = page.getByRole('region', { name: 'Out of step' })
  await expect(notice).toContainText('out of step')
  await notice.getByRole('button', { name: 'Bring it into step' }).click()
  await expect(notice).toBeHidden()
  await expect(editor).toHaveValue(/Her drawing of the heron is on our wall\.$/)
  await expect(editor).not.toHaveValue(before)
})
