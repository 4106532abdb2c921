import { expect, test } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { saved, signIn } from './signedIn'

test('a group out of two classes is made, taught and written about, and stands in the home class', async ({
  page,
  browser,
}) => {
  await signIn(page, 'philippa')
  await page.goto('/school/classes')
  await page.getByText('A group out of several classes').click()
  await page.getByLabel('Called', { exact: true }).fill('Shadow puppets')
  await page.getByLabel('Taught together in').selectOption('Art')
  await page.getByRole('button', { name: 'Add group' }).click()
  await expect(page.getByRole('textbox', { name: 'Group' })).toHaveValue('Shadow puppets')
  for (const [room, child] of [
    ['5 Juniper', 'Søren Lund'],
    ['6 Rowan', 'Uma Lemaire'],
  ] as const) {
    await page.getByLabel('out of').selectOption(room)
    await page.getByRole('checkbox', { name: child }).check()
    await page.getByRole('button', { name: 'Take 1 into Shadow puppets' }).click()
    await expect(page.getByRole('button', { name: `more about ${child}` })).toBeVisible()
  }
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.getByRole('link', { name: 'People' }).click()
  const choice = page.getByLabel('A class or subject for Marek Odum')
  await expect(choice.getByRole('option', { name: /^Shadow puppets/ })).toHaveText(['Shadow puppets: Art'])
  await choice.selectOption('Shadow puppets: Art')
  await page.getByRole('button', { name: /^Give it to/ }).click()
  await expect(page.getByRole('button', { name: 'Take Art of Shadow puppets away' })).toBeVisible()

  const theirs = await (await browser.newContext()).newPage()
  await signIn(theirs, 'marek')
  await theirs.goto('/settle')
  await theirs.getByLabel('Class', { exact: true }).selectOption('Shadow puppets')
  await expect(theirs.getByRole('tab')).toHaveText(['Marks in Art', 'Skills in Art', 'The class'])
  await theirs.getByRole('textbox', { name: /Uma/ }).first().fill('81')
  await theirs.keyboard.press('Enter')
  await saved(theirs)
  await theirs.getByLabel('Class', { exact: true }).selectOption('6 Rowan')
  await theirs.getByLabel('Subject', { exact: true }).selectOption('Art')
  await expect(theirs.getByRole('textbox', { name: /Uma/ }).first()).toHaveValue(/81/)
  // Who is in no group does not take it, until somebody says so: by a click, or by a list of names.
  const marks = theirs.getByRole('textbox', { name: /^Settled mark/ })
  await expect(marks).toHaveCount(1)
  const who = theirs.getByRole('region', { name: 'Who takes the subject' })
  await expect(who).toContainText(/^1 of \d+ take Art\./)
  await who.getByRole('button', { name: 'Change who' }).click()
  await who.getByRole('checkbox', { name: /Jules/ }).check()
  await expect(marks).toHaveCount(2)
  await who.getByLabel(/^Or paste those who take it/).fill('Uma Lemaire\nNobody Known')
  await expect(who).toContainText('Row 2: There is no child with “Nobody Known” in this class.')
  await who.getByLabel(/^Or paste those who take it/).fill('Lemaire, Uma')
  await who.getByRole('button', { name: /^1 take Art, \d+ do not/ }).click()
  await expect(marks).toHaveCount(1)
  expect(await lookedAt(theirs)).toEqual([[], 0])
  // In Write such a child is told, and passed over by the keys.
  await theirs.goto('/write')
  await theirs.getByRole('button', { name: /^Art \d/ }).click()
  await theirs
    .getByRole('navigation', { name: 'Class list' })
    .getByRole('button', { name: /^Jules/ })
    .click()
  await expect(theirs.getByText('Jules does not take Art')).toBeVisible()
  await theirs.keyboard.press('Alt+PageDown')
  await expect(theirs.getByRole('textbox', { name: 'Art for Uma' })).toBeFocused()
  await theirs.context().close()

  await page.getByRole('link', { name: 'Subjects and skills' }).click()
  await page.getByRole('button', { name: 'Art', exact: true }).click()
  const kept = page.waitForResponse((answer) => answer.url().endsWith('/setup/rows') && answer.ok())
  await page.getByLabel('Taken by').selectOption('everybody in the class')
  await kept
  await page.getByRole('link', { name: 'People' }).click()
  // What was settled in it is on record, so it is let go of by its children and its teacher, and stays.
  await page.getByRole('button', { name: /^Take Art of Shadow puppets away/ }).click()
  await page.getByRole('link', { name: 'Classes and students' }).click()
  await page.getByRole('button', { name: /^Shadow puppets/ }).click()
  for (const child of ['Søren Lund', 'Uma Lemaire']) {
    await page.getByRole('button', { name: `more about ${child}` }).click()
    await page.getByRole('button', { name: 'Was never in this group' }).click()
    await expect(page.getByRole('button', { name: `more about ${child}` })).toBeHidden()
  }
  await page.getByRole('button', { name: 'Take this group away' }).click()
  await expect(page.getByRole('alert')).toContainText('what was done there is on record')
})

test('who teaches in several classes works through them as one list, and back', async ({ page }) => {
  await signIn(page, 'tobias')
  await page.goto('/write')
  const rooms = page.getByRole('combobox', { name: 'Class', exact: true })
  await expect(rooms).toBeVisible()
  const names = await rooms.getByRole('option').allTextContents()
  expect(names.length).toBeGreaterThan(1)
  await rooms.selectOption({ label: names[0] ?? '' })
  await page.getByRole('combobox', { name: 'Comment box' }).selectOption('Music')
  const list = page.getByRole('navigation', { name: 'Class list' }).getByRole('button')
  const editor = (child: string) => page.getByRole('textbox', { name: new RegExp(`^Music for ${child}`) })
  const last = (await list.last().innerText()).split(' ')[0] ?? ''
  await list.last().click()
  await expect(editor(last)).toBeVisible()
  await page.getByRole('button', { name: `On to ${names[1]}` }).click()
  await expect(rooms.locator('option:checked')).toHaveText(names[1] ?? '')
  await expect(list.first()).toHaveAttribute('aria-current', 'true')
  await expect(page.getByRole('textbox', { name: /^Music for/ })).toBeFocused()
  await page.keyboard.press('Alt+PageUp')
  await expect(rooms.locator('option:checked')).toHaveText(names[0] ?? '')
  await expect(list.last()).toHaveAttribute('aria-current', 'true')
})
