import { expect, test } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { saved, signIn } from './signedIn'

test('a note is written from anywhere by a key, about a skill, and changed; what is begun stays with its child', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  const list = page.getByRole('navigation', { name: 'Class list' })
  await list.getByRole('button', { name: /Finn/ }).click()
  await page.keyboard.press('Alt+j')
  const sheet = page.getByRole('dialog', { name: 'Note about Finn' })
  await expect(sheet.getByLabel('What was seen or said')).toBeFocused()
  await page.keyboard.type('Showed Kit how the lock gate opens.')
  await sheet.getByLabel('About').selectOption('Taking care')
  await sheet.getByLabel(/^May be told/).check()
  await page.keyboard.press('Control+Enter')
  await expect(sheet.getByRole('status')).toContainText('Kept: Showed Kit')
  expect(await lookedAt(page)).toEqual([[], 0])
  const kept = sheet.getByRole('listitem').filter({ hasText: 'Showed Kit' })
  await expect(kept).toContainText('Taking care')
  await expect(kept).toContainText('may be told')
  await kept.getByRole('button', { name: /^Change/ }).click()
  await sheet.getByLabel('What was seen or said').fill('Showed a friend how the lock gate opens.')
  await sheet.getByRole('button', { name: 'Keep the change' }).click()
  await sheet.getByLabel('What was seen or said').fill('Half a thought')
  await page.keyboard.press('Escape')
  await list.getByRole('button', { name: /Will/ }).click()
  await saved(page)
  await page.reload()
  await list.getByRole('button', { name: /Finn/ }).click()
  await page.keyboard.press('Alt+j')
  await expect(sheet.getByText('Showed a friend how the lock gate opens.')).toBeVisible()
  await expect(sheet.getByText('Half a thought')).toBeVisible()
  await expect(sheet.getByText('Showed Kit')).toHaveCount(0)
  for (const words of ['Half a thought', 'Showed a friend']) {
    const note = sheet.getByRole('listitem').filter({ hasText: words })
    await note.getByRole('button', { name: /^Change/ }).click()
    await sheet.getByRole('button', { name: 'Take it away' }).click()
    await expect(note).toHaveCount(0)
  }
  await page.keyboard.press('Escape')
  await saved(page)
})

test('five notes on a phone, with the server away, are there when it is back', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'ines')
  await page.goto('/write')
  await expect(page.getByRole('textbox')).toBeVisible()
  await page.route('**/api/classes/*/*/note', (route) => route.abort())
  for (const [nth, child] of ['Amara', 'Bea', 'Finn', 'Kit', 'Will'].entries()) {
    await page.getByRole('button', { name: /choose another student/ }).click()
    await page
      .getByRole('dialog')
      .getByRole('button', { name: new RegExp(child) })
      .click()
    await page.getByRole('button', { name: 'Note', exact: true }).click()
    const sheet = page.getByRole('dialog', { name: `Note about ${child}` })
    await sheet.getByLabel('What was seen or said').fill(`Seen by the weir, ${nth + 1}.`)
    await sheet.getByRole('button', { name: 'Put away' }).click()
  }
  await expect(page.getByText('kept on this device', { exact: true })).toBeVisible()
  await page.reload()
  await page.unroute('**/api/classes/*/*/note')
  await saved(page)
  await page.reload()
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  const last = page.getByRole('dialog', { name: 'Note about Will' })
  const notes = last.getByRole('listitem').filter({ hasText: 'Seen by the weir, 5.' })
  await expect(notes.first()).toBeVisible()
  expect((await lookedAt(page))[0]).toEqual([])
})
