import { expect, test } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { saved, signIn } from './signedIn'

test('attendance is typed down a column, and a list of levels, days and notes comes in as one step', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  await page.getByRole('tab', { name: 'Attendance' }).click()
  const absent = (child: string) => page.getByLabel(`${child}: Absent, days`)
  const [finn, will] = [await absent('Finn').inputValue(), await absent('Will').inputValue()]
  await absent('Finn').fill('6')
  await page.keyboard.press('Enter')
  await expect(absent('Will')).toBeFocused()
  await page.keyboard.type('99')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Will: Nobody is absent on 99 of 40 days.')
  await expect(absent('Will')).toHaveValue(will)
  await saved(page)
  expect(await lookedAt(page)).toEqual([[], 0])

  await page.getByText('Bring levels, habits, marks').click()
  const list = page.getByRole('textbox', { name: /^Bring levels/ })
  await list.fill(
    ['Name\tAbsent\tTaking care\tNote', `Finn Aaltonen\t${finn}\tS\tBrought a map.`, 'Nobody Here\t1\tS\t'].join('\n'),
  )
  await expect(page.getByText('There is no child with “Nobody Here” in this class.')).toBeVisible()
  await page.getByRole('button', { name: /^Take \d+ values in/ }).click()
  await expect(list).toHaveValue('')
  await expect(absent('Finn')).toHaveValue(finn)
  await page.keyboard.press('Alt+j')
  const sheet = page.getByRole('dialog', { name: 'Note about Finn' })
  await expect(sheet.getByText('Brought a map.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(absent('Finn')).toHaveValue('6')
  await page.keyboard.press('Alt+j')
  await expect(sheet.getByText('Brought a map.')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await absent('Finn').fill(finn)
  await page.keyboard.press('Enter')
  await saved(page)
})
