import { expect, test } from '@playwright/test'
import { startCluster } from '../../scripts/cluster.mjs'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { passwordOf, saved, signIn } from './signedIn'

test('a session that ends while typing: sign in again over the work, nothing is lost', async ({ page, context }) => {
  await signIn(page, 'ines')
  await page.goto('/write')
  await page.getByRole('button', { name: /^Art \d/ }).click()
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Elif/ }).click()
  await context.clearCookies()
  const editor = page.getByRole('textbox', { name: 'Art for Elif' })
  await editor.fill('Elif drew the weir from three sides.')
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('What you typed is kept')
  await dialog.getByLabel('Name').fill('ines')
  await dialog.getByLabel('Password').fill(passwordOf('ines'))
  await dialog.getByRole('button', { name: 'Sign in' }).click()
  await expect(dialog).toBeHidden()
  await expect(editor).toHaveValue('Elif drew the weir from three sides.')
  await saved(page)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Elif' })).toHaveValue('Elif drew the weir from three sides.')
})

test('the database gone for ten seconds: kept on this device, saved when it is back', async ({ page }) => {
  const mine = process.env.FACUNDA_CLUSTER !== undefined
  if (!mine) console.log('SKIPPED, the database gone: a server of somebody’s own is not ours to stop.')
  test.skip(!mine, 'needs a cluster of its own to stop')
  await signIn(page, 'ines')
  await page.goto('/write')
  await page.getByRole('button', { name: /^Art \d/ }).click()
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Grace/ }).click()
  const cluster = await startCluster(process.env.FACUNDA_CLUSTER ?? '')
  cluster.stop()
  const editor = page.getByRole('textbox', { name: 'Art for Grace' })
  await editor.fill('Grace mixed greens for the reeds.')
  await expect(page.getByText('kept on this device and saved as soon as it is back')).toBeVisible()
  // How long it is away is what is asked here.
  await page.waitForTimeout(10_000)
  cluster.start()
  await expect(page.getByText('kept on this device and saved as soon as it is back')).toBeHidden({ timeout: 30_000 })
  await saved(page)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Grace' })).toHaveValue('Grace mixed greens for the reeds.')
  // One connection listens again to what is changed, however long the database was away.
  const db = openDatabase(databaseUrl())
  const { rows } = await db.raw<{ rows: unknown[] }>(
    `select from pg_stat_activity where query = 'listen facunda_event'`,
  )
  await db.destroy()
  expect(rows).toHaveLength(1)
})

test('two tabs: the second is shown what the first wrote, and chooses', async ({ page, context }) => {
  await signIn(page, 'ines')
  const second = await context.newPage()
  // What the first writes is not told to the second in time.
  await second.route('**/live?*', (route) => route.abort())
  for (const tab of [page, second]) {
    await tab.goto('/write')
    await tab.getByRole('button', { name: /^Art \d/ }).click()
    await tab.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Omar/ }).click()
  }
  await page.getByRole('textbox', { name: 'Art for Omar' }).fill('Omar likes charcoal.')
  await saved(page)
  await second.getByRole('textbox', { name: 'Art for Omar' }).fill('Omar likes ink.')
  await expect(second.getByText('It now reads')).toBeVisible()
  await expect(second.getByText('Omar likes charcoal.')).toBeVisible()
  await second.getByRole('button', { name: 'Keep mine' }).click()
  await saved(second)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Omar' })).toHaveValue('Omar likes ink.')
})

test('bad files are told in words and leave the page usable', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/gather')
  const choose = page.getByLabel('Choose a gradebook file')
  await choose.setInputFiles({ name: 'marks.csv', mimeType: 'text/csv', buffer: Buffer.from('%PDF-1.7') })
  await expect(page.getByRole('alert')).toContainText('This is a PDF')
  await choose.setInputFiles({
    name: 'x.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Number,"<script>document.title=1</script>"\n05101,9\n'),
  })
  await expect(page.getByRole('region', { name: 'The file’s first rows' })).toContainText('<script>')
  await expect(page).toHaveTitle(/Gather/)
})
