import { expect, test } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { signIn } from './signedIn'

test('the coordinator takes a colleague in, who chooses a password and finds the own class', async ({
  page,
  browser,
}) => {
  await signIn(page, 'philippa')
  await page.getByRole('link', { name: 'School' }).click()
  await page.getByLabel('Given name').fill('Siân')
  await page.getByLabel('Family name').fill('Ó Briain')
  await expect(page.getByLabel('Signs in as')).toHaveValue('sian.obriain')
  await page.getByRole('button', { name: 'Take in and make a link' }).click()
  const row = page.getByRole('row', { name: /Siân Ó Briain/ })
  await expect(row.getByText(/has a link until/)).toBeVisible()
  const link = await row.getByLabel(/Hand Siân this link/).inputValue()
  await row.getByLabel('A class or subject for Siân Ó Briain').selectOption('6 Rowan: Art')
  await row.getByRole('button', { name: 'Give it to Siân' }).click()
  await expect(row.getByText('6 Rowan: Art', { exact: false }).first()).toBeVisible()
  expect(await lookedAt(page)).toEqual([[], 0])

  const fresh = await browser.newContext({ baseURL: new URL(page.url()).origin })
  const theirs = await fresh.newPage()
  await theirs.goto(link)
  await expect(theirs.getByRole('heading', { name: 'Welcome, Siân' })).toBeVisible()
  expect(await lookedAt(theirs)).toEqual([[], 0])
  await theirs.getByLabel('Password').fill('sianobriain2026')
  await theirs.getByRole('button', { name: 'Choose this password' }).click()
  await expect(theirs.getByRole('alert')).toContainText('mostly a name')
  await theirs.getByLabel('Password').fill('a kettle of purple rain')
  await theirs.getByRole('button', { name: 'Choose this password' }).click()
  await expect(theirs.getByRole('heading', { name: 'Your desk' })).toBeVisible()
  await expect(theirs.getByRole('region', { name: '6 Rowan' })).toContainText('Art')
  await theirs.goto(link)
  await expect(theirs.getByRole('alert')).toContainText('has been used')
  await theirs.goto('/school')
  await expect(theirs.getByRole('alert')).toContainText('You may not see the staff')

  await page.getByRole('button', { name: 'Switch off Siân Ó Briain' }).click()
  await expect(row.getByText('switched off')).toBeVisible()
  await theirs.goto('/')
  await expect(theirs.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row.getByText('has a password')).toBeVisible()
  await fresh.close()
})
