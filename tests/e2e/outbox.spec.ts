import { expect, test, type Page } from '@playwright/test'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { openComment, saved, signIn } from './signedIn'

const away = '**/api/classes/*/*/comment'
const list = (page: Page) => page.getByRole('navigation', { name: 'Class list' })

/** Does something while the term of today can be locked, and opened again. */
async function withLock(
  use: (lock: { falls: () => Promise<unknown>; isLifted: () => Promise<unknown> }) => Promise<void>,
) {
  const db = openDatabase(databaseUrl())
  try {
    const winter = await db('term').orderBy('starts', 'desc').first()
    const lock = (day: string) =>
      db('term')
        .where({ id: winter?.id ?? '' })
        .update({ locks: day })
    await use({ falls: () => lock('2000-01-01'), isLifted: () => lock(winter?.locks ?? '') })
  } finally {
    await db.destroy()
  }
}

test('two tabs look at two children: what is typed stays with the child it was typed about', async ({
  page,
  context,
}) => {
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Bea/, 'Bea')
  const other = await context.newPage()
  await openComment(other, 'Art', /Leilani/, 'Leilani')
  await editor.fill('Bea prints from leaves and')
  await list(other).getByRole('button', { name: /Amara/ }).click()
  await editor.press('Control+End')
  await editor.pressSequentially(' cuts her own stencils.')
  await expect(editor).toHaveValue('Bea prints from leaves and cuts her own stencils.')
  await saved(page)
  await expect(other.getByRole('textbox', { name: 'Art for Amara' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Bea' })).toHaveValue(/own stencils\.$/)
})

test('a text whose beginning another tab has sent, unheard of here, goes on without a conflict with itself', async ({
  page,
  context,
}) => {
  // What tabs tell each other takes its time on a busy machine.
  await page.addInitScript(() => {
    const { prototype } = BroadcastChannel
    Object.defineProperty(prototype, 'onmessage', {
      set(this: BroadcastChannel, hear: (event: MessageEvent) => void) {
        this.addEventListener('message', (event) => setTimeout(() => hear(event), 4000))
      },
    })
  })
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Finn/, 'Finn')
  const other = await context.newPage()
  await openComment(other, 'Art', /Leilani/, 'Leilani')
  await page.route(away, (route) => route.abort())
  await editor.fill('Finn carves')
  await expect(page.getByText('kept on this device', { exact: true })).toBeVisible()
  // Turning to another student sends what waits in the outbox, whichever tab put it there.
  const sent = other.waitForResponse((answer) => answer.url().endsWith('/comment'))
  await list(other).getByRole('button', { name: /Amara/ }).click()
  expect((await sent).status()).toBe(200)
  await page.unroute(away)
  await editor.press('Control+End')
  await editor.pressSequentially(' a heron.')
  await saved(page)
  await expect(page.getByRole('region', { name: 'Not saved' })).toBeHidden()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Finn' })).toHaveValue('Finn carves a heron.')
})

test('a page that goes in the middle of a word, with the server away, loses no letter', async ({ page }) => {
  // A device that takes its time to note what the server said: others' news come meanwhile.
  await page.addInitScript(() => {
    const { prototype } = IDBObjectStore
    const put = Reflect.get(prototype, 'put') as IDBObjectStore['put']
    prototype.put = function (this: IDBObjectStore, ...what: Parameters<IDBObjectStore['put']>) {
      const until = performance.now() + 1000
      const wait = (): void => {
        if (performance.now() < until) this.get('x').onsuccess = wait
      }
      if (this.name === 'versions') wait()
      return put.apply(this, what)
    }
  })
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Niamh/, 'Niamh')
  await page.route(away, (route) => route.abort())
  await editor.fill('Niamh draws')
  await editor.press('Control+End')
  for (const letter of ' herons from memo') await page.keyboard.press(letter === ' ' ? 'Space' : letter)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Niamh' })).toHaveValue('Niamh draws herons from memo')
  await page.unroute(away)
  await saved(page)
  // And it goes on from there, without a conflict with itself.
  await editor.press('Control+End')
  await editor.pressSequentially('ry.')
  await saved(page)
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Niamh' })).toHaveValue('Niamh draws herons from memory.')
  await expect(page.getByRole('region', { name: 'Not saved' })).toBeHidden()
})

test('two tabs without the server: both texts are kept, and the later one is decided about', async ({
  page,
  context,
}) => {
  await signIn(page, 'ines')
  const second = await context.newPage()
  const mine = await openComment(page, 'Art', /Søren/, 'Søren')
  const theirs = await openComment(second, 'Art', /Søren/, 'Søren')
  for (const tab of [page, second]) await tab.route(away, (route) => route.abort())
  await mine.fill('Søren mixes greys.')
  await expect(page.getByText('kept on this device and saved')).toBeVisible()
  await theirs.fill('Søren mixes blues.')
  await expect(second.getByText('kept on this device', { exact: true })).toBeVisible()
  // That may be said of the first tab's text; what is asked here begins when the second one's is in the outbox too.
  const outOfTheOutbox = () => Object.keys(localStorage).filter((key) => key.startsWith('facunda.urgent.'))
  await expect.poll(() => second.evaluate(outOfTheOutbox)).toEqual([])
  // The second tab is closed with its work unsent; the first sends it in its place.
  await second.close()
  await page.unroute(away)
  await expect(page.getByText('1 piece of work was not saved')).toBeVisible({ timeout: 20_000 })
  const both = page.getByRole('alert').filter({ hasText: 'changed elsewhere' })
  await expect(both).toContainText('Søren mixes greys.')
  await expect(both).toContainText('Søren mixes blues.')
  await both.getByRole('button', { name: 'Keep mine' }).click()
  await expect(page.getByText('was not saved')).toBeHidden()
  await page.reload()
  await expect(page.getByRole('textbox', { name: 'Art for Søren' })).toHaveValue('Søren mixes blues.')
})

test('what a closed tab had no time to put in the outbox is sent by a tab that is open', async ({ page, context }) => {
  await signIn(page, 'ines')
  const second = await context.newPage()
  const theirs = await openComment(second, 'Art', /Tamsin/, 'Tamsin')
  // An outbox that is not quick enough: nothing reaches it before the tab is closed.
  await second.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new Error('The disk is busy.')
    }
  })
  await second.route(away, (route) => route.abort())
  await theirs.fill('Tamsin draws the weir.')
  await expect
    .poll(() => second.evaluate(() => Object.values(localStorage).some((held) => String(held).includes('the weir'))))
    .toBe(true)
  await second.close()
  const left = () => page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('facunda.urgent.')))
  await expect.poll(left, { timeout: 60_000 }).toEqual([])
  const mine = await openComment(page, 'Art', /Tamsin/, 'Tamsin')
  await expect(mine).toHaveValue('Tamsin draws the weir.')
})

test('a term that locks while three comments are written: all three stay, listed, until they are decided about', async ({
  page,
}) => {
  await signIn(page, 'ines')
  await withLock(async (lock) => {
    await openComment(page, 'Physical education', /Dash/, 'Dash')
    await lock.falls()
    for (const name of ['Dash', 'Mateusz', 'Amara']) {
      await list(page)
        .getByRole('button', { name: new RegExp(name) })
        .click()
      const editor = page.getByRole('textbox', { name: `Physical education for ${name}` })
      await editor.fill(`${name} ran to the weir and back.`)
    }
    const kept = page.getByRole('region', { name: 'Not saved' })
    await expect(kept).toContainText('3 pieces of work were not saved')
    await expect(kept).toContainText('locked since 2000-01-01')
    await page.reload()
    await expect(kept).toContainText('Mateusz ran to the weir and back.')
    await lock.isLifted()
    await kept.getByRole('button', { name: 'Let it go' }).last().click()
    for (const left of ['2 pieces', '1 piece']) {
      await expect(kept).toContainText(left)
      await kept.getByRole('button', { name: 'Try again' }).first().click()
    }
    await expect(kept).toBeHidden()
    await page.reload()
    await list(page)
      .getByRole('button', { name: /Mateusz/ })
      .click()
    await expect(page.getByRole('textbox', { name: 'Physical education for Mateusz' })).toHaveValue(/weir and back/)
  })
})

test('scores that a locked term refuses are asked for once, listed, and taken when it is open', async ({ page }) => {
  await signIn(page, 'ines')
  await withLock(async (lock) => {
    await page.goto('/settle')
    await page.getByRole('tab', { name: 'Habits' }).click()
    const cell = page.getByRole('gridcell', { name: /^Kit, Taking care/ })
    const before = /: (\S+)/.exec((await cell.getAttribute('aria-label')) ?? '')?.[1] ?? ''
    const wanted = before === 'N' ? 'S' : 'N'
    let asked = 0
    page.on('request', (request) => (asked += Number(request.url().endsWith('/levels'))))
    await cell.click()
    await lock.falls()
    await page.keyboard.press(wanted)
    const kept = page.getByRole('region', { name: 'Not saved' })
    await expect(kept).toContainText('1 piece of work was not saved')
    await expect(kept).toContainText('locked since 2000-01-01')
    // What does not happen has no sign to wait for: longer than the pause before another try.
    await page.waitForTimeout(1500)
    expect(asked).toBe(1)
    await lock.isLifted()
    await kept.getByRole('button', { name: 'Try again' }).click()
    await expect(kept).toBeHidden()
    await page.reload()
    await expect(cell).toHaveAttribute('aria-label', new RegExp(`: ${wanted} `))
    await cell.click()
    await page.keyboard.press(before)
    await saved(page)
  })
})

test('an answer that is none of ours is not taken for “saved”, and one bad text stops no other', async ({ page }) => {
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Rosa/, 'Rosa')
  await page.route(away, (route) =>
    route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Sign in to the WLAN</h1>' }),
  )
  await editor.fill('Rosa folds paper boats.')
  await expect(page.getByText('kept on this device', { exact: true })).toBeVisible()
  await page.unroute(away)
  await saved(page)
  // A text that the server will never take is set aside; what follows is saved.
  await page.route(away, (route) =>
    route.request().postData()?.includes('never') === true
      ? route.fulfill({ status: 422, json: { message: 'This text cannot be kept.', data: {} } })
      : route.continue(),
  )
  await editor.fill('Rosa never stops folding.')
  await list(page).getByRole('button', { name: /Kit/ }).click()
  await page.getByRole('textbox', { name: 'Art for Kit' }).fill('Kit drew\u0000 the heron.')
  await expect(page.getByRole('region', { name: 'Not saved' })).toContainText('Rosa never stops folding.')
  await saved(page)
  await page.reload()
  await list(page).getByRole('button', { name: /Kit/ }).click()
  await expect(page.getByRole('textbox', { name: 'Art for Kit' })).toHaveValue('Kit drew the heron.')
})
