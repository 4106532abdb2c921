import { expect, test } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { signIn } from './signedIn'

test('how marks add up is changed with the effect shown first, and undone', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByRole('combobox', { name: 'Subject' }).selectOption('Mathematics')
  const editor = page.getByRole('region', { name: 'How marks add up' })
  const weight = editor.getByLabel('Weight of Quizzes')
  const before = await weight.inputValue()
  await weight.fill('90')
  await expect(editor.getByRole('status')).toContainText(/\d+ of 24 proposed marks change/)
  await editor.getByRole('button', { name: 'Add a category' }).click()
  await expect(editor.getByRole('alert')).toContainText('needs a name')
  await editor.getByLabel('Name of category 4').fill('quizzes')
  await expect(editor.getByRole('alert')).toContainText('two categories')
  await editor.getByLabel('Name of category 4').fill('Exam')
  expect(await lookedAt(page)).toEqual([[], 0])
  await editor.getByRole('button', { name: 'Keep this' }).click()
  await expect(editor.getByRole('status')).toBeHidden()
  await expect(editor.getByLabel('Name of category')).toHaveCount(4)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(editor.getByLabel('Weight of Quizzes')).toHaveValue(before)
  await editor.getByRole('button', { name: 'Take those of another class' }).click()
  await editor.getByRole('button', { name: /^5 Juniper .*, Science$/ }).click()
  await editor.getByRole('button', { name: 'As it was' }).click()
  await expect(editor.getByLabel('Weight of Quizzes')).toHaveValue(before)
})
