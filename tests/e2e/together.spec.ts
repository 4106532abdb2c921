import { expect, test, type Browser, type Page } from '@playwright/test'
import { lookedAt } from './lookedAt'
import { drawn, openComment, saved, signIn } from './signedIn'

const classList = (page: Page) => page.getByRole('navigation', { name: 'Class list' })
const levelOf = (page: Page, skill: string) => page.getByRole('gridcell', { name: new RegExp(`^Hyun-woo, ${skill}`) })

/** The same person on two pages in Settle, as on two machines. @returns the other page */
async function twoPages(browser: Browser, page: Page, subject: string, tab: RegExp): Promise<Page> {
  const other = await (await browser.newContext()).newPage()
  for (const each of [page, other]) {
    await signIn(each, 'ines')
    await each.goto('/settle')
    await each.getByLabel('Subject', { exact: true }).selectOption(subject)
    await each.getByRole('tab', { name: tab }).click()
  }
  return other
}

const classRead = /\/api\/classes\/[^/]+\/[^/]+$/

/** Holds back what the page reads of its class next, until it is let come. */
async function heldReading(page: Page): Promise<{ read: Promise<void>; letCome: () => Promise<void> }> {
  let isRead = (): void => undefined
  let mayCome = (): void => undefined
  const read = new Promise<void>((done) => (isRead = done))
  const told = new Promise<void>((done) => (mayCome = done))
  await page.route(classRead, async (route) => {
    const response = await route.fetch()
    isRead()
    await told
    await route.fulfill({ response })
  })
  const letCome = async (): Promise<void> => {
    const came = page.waitForResponse(classRead)
    mayCome()
    await came
    await drawn(page)
  }
  return { read, letCome }
}

/** Writes a note about the student in view: whoever looks at the class reads it again. */
async function writeNote(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Alt+j')
  const sheet = page.getByRole('dialog', { name: /^Note about/ })
  await sheet.getByLabel('What was seen or said').fill(words)
  await page.keyboard.press('Control+Enter')
  await page.keyboard.press('Escape')
}

/** Takes the note back again. */
async function undoNote(page: Page): Promise<void> {
  await page.getByRole('banner').getByRole('button', { name: 'Undo: wrote a note' }).click()
  await expect(page.getByRole('button', { name: /^Bring it back/ })).toBeVisible()
}

test('two in one class: what one rates, the other sees by itself; a page away is told when it is back', async ({
  browser,
  page,
}) => {
  const other = await twoPages(browser, page, 'Writing', /^Skills/)
  const cell = page.getByRole('gridcell', { name: /^Hyun-woo, / }).first()
  const name = (await cell.getAttribute('aria-label')) ?? ''
  const [, title = '', before = ''] = /^Hyun-woo, (.+): (\S+)/.exec(name) ?? []
  expect(title).not.toBe('')
  const symbol = before === '2' ? '3' : '2'
  await cell.click()
  await page.keyboard.press(symbol)
  await expect(levelOf(other, title)).toHaveAttribute('aria-label', new RegExp(`: ${symbol} `))

  // The history tells it at the value; the step is taken back after a reload, and brought back.
  await page.reload()
  await page.getByRole('tab', { name: /^Skills/ }).click()
  await cell.click()
  await page.getByText('History').click()
  await expect(page.getByText(/Ines Calloway, .*rated/).first()).toBeVisible()
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect(levelOf(page, title)).toHaveAttribute('aria-label', new RegExp(`: ${before}`))
  await expect(levelOf(other, title)).toHaveAttribute('aria-label', new RegExp(`: ${before}`))
  await page.getByRole('banner').getByRole('button', { name: 'Bring it back' }).click()
  await expect(levelOf(page, title)).toHaveAttribute('aria-label', new RegExp(`: ${symbol} `))
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect(levelOf(page, title)).toHaveAttribute('aria-label', new RegExp(`: ${before}`))
  await other.context().close()
})

test('one student on one page: settled there by keys, and on to the next', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await classList(page)
    .getByRole('button', { name: /^Hyun-woo/ })
    .click()
  await page.keyboard.press('Alt+x')
  await expect(page.getByRole('heading', { level: 1, name: /Hyun-woo/ })).toBeVisible()
  const mark = page.getByLabel('Settled mark in Writing')
  const before = await mark.inputValue()
  await mark.fill('')
  await mark.press('ArrowDown')
  await expect(page.getByLabel('Settled mark in Science')).toBeFocused()
  await mark.focus()
  await page.keyboard.press('Enter')
  await expect(mark).toHaveValue(before)
  await saved(page)
  await page.getByText('As a table').first().click()
  await expect(page.getByRole('columnheader', { name: 'Middle of the class' })).toHaveCount(0)
  await page.getByLabel('With the middle of the class').check()
  await expect(page.getByRole('columnheader', { name: 'Middle of the class' })).toBeVisible()
  await page.keyboard.press('Alt+PageDown')
  await expect(page.getByRole('heading', { level: 1, name: /Tamsin/ })).toBeVisible()
  await expect(page.getByLabel('With the middle of the class')).not.toBeChecked()
  await page.keyboard.press('Alt+x')
  await expect(page.getByRole('tab', { name: /^Marks/ })).toBeVisible()
})

test('a meeting shows one student, keeps the teacher’s own away, and is left on purpose', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await expect(classList(page).getByRole('button', { name: /^Hyun-woo/ })).toBeVisible()
  const names = (await classList(page).getByRole('button').allInnerTexts()).map((name) => name.trim().split('\n')[0])
  await classList(page)
    .getByRole('button', { name: /^Hyun-woo/ })
    .click()
  await page.goto('/student')
  await page.getByRole('link', { name: 'Hold a meeting' }).click()
  // The page before has the same heading.
  await expect(page).toHaveURL(/\/meeting$/)
  await expect(classList(page)).toHaveCount(0)
  await expect(page.getByRole('heading', { level: 1, name: /^Hyun-woo/ })).toBeVisible()
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 800 })
    const source = `${page.url()} ${await page.title()} ${await page.content()}`
    expect(names.length).toBeGreaterThan(20)
    expect(names.filter((name) => name && !name.startsWith('Hyun-woo') && source.includes(name))).toEqual([])
    for (const own of ['for you only', 'differs', 'for me', 'Adds up to', 'History']) expect(source).not.toContain(own)
    await expect(page.locator('input:not([type=checkbox])')).toHaveCount(0)
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBe(0)
  }
  await page.goBack()
  await expect(page.getByRole('button', { name: 'Stay with Hyun-woo' })).toBeFocused()
  await expect(page).toHaveURL(/\/meeting$/)
  await page.keyboard.press('Enter')
  await page.reload()
  await expect(page.getByRole('heading', { level: 1, name: /^Hyun-woo/ })).toBeVisible()
  await page.getByRole('button', { name: 'Leave the meeting' }).click()
  await page.getByRole('button', { name: 'Leave', exact: true }).click()
  await expect(page).toHaveURL(/\/student$/)
})

test('the class as a whole says who needs a look, and leads there', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Mathematics')
  await page.getByRole('tab', { name: 'The class' }).click()
  const looks = page.getByRole('region', { name: 'Who needs a look' })
  await expect(looks.getByText('missing work:').first()).toBeVisible()
  await looks.getByRole('button', { name: /^Look at Will, missing work/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: /^Will/ })).toBeVisible()
})

test('what others change never comes over what somebody is typing', async ({ browser, page }) => {
  const other = await twoPages(browser, page, 'Art', /^Marks/)
  const mark = (on: Page) => on.getByLabel(/^Settled mark of Hyun-woo/)
  const before = await mark(page).inputValue()
  await mark(page).focus()
  await page.keyboard.type('7')
  await mark(other).fill('61')
  await mark(other).press('Enter')
  await saved(other)
  await expect(page.getByText('changed by')).toHaveCount(0)
  await expect(page.getByRole('row', { name: /^Hyun-woo/ }).getByText('differs')).toBeVisible()
  await page.keyboard.type('3')
  await expect(mark(page)).toHaveValue('73')
  // Given up, the cell shows what stands now.
  await page.keyboard.press('Escape')
  await mark(page).blur()
  await expect(mark(page)).toHaveValue('61')
  await mark(page).fill(before)
  await mark(page).press('Enter')
  await saved(page)
  await other.context().close()
})

test('what is changed while the class is read again stands, though what was read is older', async ({
  browser,
  page,
}) => {
  const other = await twoPages(browser, page, 'Writing', /^Skills/)
  const cell = other.getByRole('gridcell', { name: /^Hyun-woo, / }).first()
  const [, title = '', before = ''] = /^Hyun-woo, (.+): (\S+)/.exec((await cell.getAttribute('aria-label')) ?? '') ?? []
  const symbol = before === '2' ? '3' : '2'
  const { read, letCome } = await heldReading(page)
  await writeNote(other, 'Seen from the bridge.')
  await read
  await cell.click()
  await other.keyboard.press(symbol)
  const asRated = new RegExp(`: ${symbol} `)
  await expect(levelOf(page, title)).toHaveAttribute('aria-label', asRated)
  await letCome()
  await expect(levelOf(page, title)).toHaveAttribute('aria-label', asRated)
  await other.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect(levelOf(page, title)).toHaveAttribute('aria-label', new RegExp(`: ${before}`))
  // The note goes as well.
  await undoNote(other)
  await other.context().close()
})

test('what an earlier page left, and this one sends while the class is read again, is gone on from', async ({
  browser,
  page,
}) => {
  const other = await twoPages(browser, page, 'Art', /^Marks/)
  await page.route('**/comment', (route) => route.abort())
  const editor = await openComment(page, 'Art', /Tamsin/, 'Tamsin')
  await editor.fill('Tamsin cuts lino')
  await expect(page.getByText('kept on this device', { exact: true })).toBeVisible()
  await page.reload()
  await expect(editor).toHaveValue('Tamsin cuts lino')
  const { read, letCome } = await heldReading(page)
  await writeNote(other, 'Seen at the press.')
  await read
  await page.unroute('**/comment')
  await saved(page)
  await letCome()
  await expect(editor).toHaveValue('Tamsin cuts lino')
  await editor.press('Control+End')
  await editor.pressSequentially(' and prints.')
  await saved(page)
  await expect(page.getByRole('region', { name: 'Not saved' })).toBeHidden()
  await page.reload()
  await expect(editor).toHaveValue('Tamsin cuts lino and prints.')
  await other.context().close()
})

test('what others change leaves a form as it is filled in, and a cell where it is typed in', async ({
  browser,
  page,
}) => {
  const other = await twoPages(browser, page, 'Mathematics', /^Skills/)
  const readAgain = async (words: string): Promise<void> => {
    const again = page.waitForResponse(classRead)
    await writeNote(other, words)
    await again
    await drawn(page)
  }
  const cells = page.getByRole('row', { name: /^Hyun-woo/ }).getByRole('gridcell')
  await cells.nth(1).click()
  const name = await cells.nth(1).getAttribute('aria-label')
  await readAgain('Seen at the weir.')
  await expect(page.locator(':focus')).toHaveAttribute('aria-label', name ?? '')
  await expect(cells.nth(1)).toHaveAttribute('tabindex', '0')

  await page.goto('/gather')
  await page.getByRole('gridcell').first().click()
  await page.getByRole('button', { name: 'Change this piece of work' }).click()
  await page.getByText('Questions', { exact: true }).click()
  await page.getByRole('button', { name: 'Add a question' }).click()
  await page.getByLabel('Question 1: what is asked').fill('Which way does it flow?')
  const title = page.getByLabel('Piece of work', { exact: true })
  const before = await title.inputValue()
  await title.fill('Which way the river flows')
  await readAgain('Seen on the bank.')
  await expect(title).toHaveValue('Which way the river flows')
  await expect(page.getByLabel('Question 1: what is asked')).toHaveValue('Which way does it flow?')

  // Somebody else calls it otherwise meanwhile: neither is lost, and one is told of the other.
  await other.goto('/gather')
  await other.getByRole('gridcell').first().click()
  await other.getByRole('button', { name: 'Change this piece of work' }).click()
  await other.getByLabel('Piece of work', { exact: true }).fill('The river')
  const again = page.waitForResponse(classRead)
  await other.getByRole('button', { name: 'Keep the change' }).click()
  await again
  await page.getByRole('button', { name: 'Keep the change' }).click()
  await expect(page.getByRole('form', { name: 'A piece of work' }).getByRole('alert')).toBeVisible()
  await expect(title).toHaveValue('Which way the river flows')
  await other.getByRole('banner').getByRole('button', { name: /^Undo/ }).click()
  await expect(other.getByRole('button', { name: new RegExp(before) })).toBeVisible()
  await undoNote(other)
  await other.context().close()
})

test('a subject is signed off with a note, and the coordinator sees what is changed since', async ({
  browser,
  page,
}) => {
  const coordinator = await (await browser.newContext()).newPage()
  for (const [each, name] of [
    [page, 'ines'],
    [coordinator, 'philippa'],
  ] as const) {
    await signIn(each, name)
    await each.goto('/read')
    await each.getByRole('button', { name: /^Science \d/ }).click()
  }
  const signOff = (on: Page) => on.getByRole('region', { name: 'Sign-off' })
  await expect(signOff(coordinator).getByRole('button', { name: /^Sign off/ })).toHaveCount(0)
  await signOff(page).getByRole('button', { name: 'Sign off' }).click()
  await page.keyboard.type('Two were ill.')
  expect(await lookedAt(page)).toEqual([[], 0])
  await page.keyboard.press('Enter')
  await expect(signOff(coordinator)).toContainText('Signed off: Science, by Ines Calloway')
  await expect(signOff(coordinator)).toContainText('“Two were ill.”')

  await page.goto('/settle')
  await page.getByLabel('Subject', { exact: true }).selectOption('Science')
  await page.getByRole('tab', { name: /^Marks/ }).click()
  const mark = page.getByLabel(/^Settled mark of Hyun-woo/)
  const before = await mark.inputValue()
  await mark.fill('61')
  await mark.press('Enter')
  await saved(page)
  await coordinator.reload()
  await signOff(coordinator).getByText('One value has changed since').click()
  await expect(signOff(coordinator)).toContainText(`Hyun-woo Bae, mark: ${before} % → 61 %`)
  await mark.fill(before)
  await mark.press('Enter')
  await saved(page)
  await page.goto('/read')
  await signOff(page).getByRole('button', { name: 'Take the sign-off back' }).click()
  await expect(signOff(page)).toContainText('Not signed off: Science')
  await coordinator.context().close()
})

test('a device whose clock is a day off goes by the school’s day', async ({ browser, page }) => {
  const astray = await (await browser.newContext()).newPage()
  await astray.clock.setFixedTime(Date.now() + 30 * 3_600_000)
  const [days, dates] = [[] as string[], [] as string[]]
  for (const each of [page, astray]) {
    await signIn(each, 'ines')
    await each.goto('/settle')
    days.push((await each.getByText(/^Comments due in \d+ days$/).textContent()) ?? '')
    await each.keyboard.press('Alt+j')
    const sheet = each.getByRole('dialog', { name: /^Note about/ })
    dates.push(await sheet.getByLabel('Day').inputValue())
    await each.keyboard.press('Escape')
  }
  expect(await astray.evaluate(() => new Date().getDate())).not.toBe(new Date().getDate())
  expect(days[1]).toBe(days[0])
  expect(dates[1]).toBe(dates[0])
})
