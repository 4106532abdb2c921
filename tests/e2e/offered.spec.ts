import { expect, test } from '@playwright/test'
import { signIn } from './signedIn'

test('a sentence that only the teacher can know is taken with one key, beside its like, and can be undone', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/write')
  await page.getByRole('button', { name: /^Science \d/ }).click()
  const editor = page.getByRole('textbox', { name: /^Science for/ })
  await expect(editor).not.toHaveValue('')
  const before = await editor.inputValue()
  const offered = page.getByRole('region', { name: 'Only if you have seen it' })
  const second = await offered.getByRole('listitem').nth(1).getByRole('paragraph').textContent()
  expect(before).not.toContain(second?.trim())
  await editor.focus()
  await page.keyboard.press('Alt+2')
  await expect(editor).toHaveValue(new RegExp((second?.trim() ?? '').replace(/[.*+?^${}()|[\]\\]/g, '\\$&')))
  // Every sentence that stood before stands still, and what was taken is offered no more.
  for (const sentence of before.split(/(?<=\.) /)) expect(await editor.inputValue()).toContain(sentence)
  await expect(offered.getByText(second?.trim() ?? '', { exact: true })).toHaveCount(0)
  await expect(page.getByText('own words', { exact: true })).toBeVisible()
  await page.reload()
  await expect(editor).toHaveValue(new RegExp((second?.trim() ?? '').replace(/[.*+?^${}()|[\]\\]/g, '\\$&')))
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(editor).toHaveValue(before)
})
