import { expect, test, type Page } from '@playwright/test'
import { openComment, signIn } from './signedIn'

// WCAG 2.2, 1.4.10: everything in one column at 320 wide, which is 1280 at 400 %; 640 is 1280 at 200 %.
const widths = [320, 390, 640, 820, 1280]

const views: [string, string, (page: Page) => Promise<void>][] = [
  ['desk', '/', async () => undefined],
  ['gather', '/gather', async () => undefined],
  ['marks', '/settle', (page) => page.getByRole('tab', { name: /^Marks/ }).click()],
  ['skills', '/settle', (page) => page.getByRole('tab', { name: /^Skills/ }).click()],
  ['habits', '/settle', (page) => page.getByRole('tab', { name: 'Habits' }).click()],
  ['write', '/write', async () => undefined],
  ['read', '/read', async () => undefined],
  ['send', '/send', async () => undefined],
  ['phrasebook', '/phrasebook', async () => undefined],
  ['plan', '/phrasebook', (page) => page.getByRole('button', { name: 'plan', exact: true }).click()],
]

/** What scrolls sideways, headings that run over, and what cannot be reached since something lies over it. */
function misplaced(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const seen = (element: Element): boolean => {
      const { width, height } = element.getBoundingClientRect()
      return width > 1 && height > 1 && getComputedStyle(element).visibility !== 'hidden'
    }
    const named = (element: Element): string =>
      `${element.tagName} ${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}`
    const scrolls = [...document.querySelectorAll('*')]
      .filter((element) => element.scrollWidth > element.clientWidth + 1 && element.clientWidth > 0 && seen(element))
      .filter((element) => !['hidden', 'clip', 'visible'].includes(getComputedStyle(element).overflowX))
      .map((element) => `scrolls sideways: ${named(element)}`)
    const outside = document.documentElement.scrollWidth > window.innerWidth ? ['the page scrolls sideways'] : []
    const covered = [...document.querySelectorAll('button, a, input, select, textarea, [role="gridcell"]')]
      .filter(seen)
      .slice(0, 90)
      .flatMap((element) => {
        element.scrollIntoView({ block: 'center' })
        const { left, top, width, height } = element.getBoundingClientRect()
        const there = document.elementFromPoint(left + width / 2, top + height / 2)
        const label = element.closest('label')
        const reached = there !== null && (element.contains(there) || there.contains(element) || label?.contains(there))
        return reached ? [] : [`covered: ${named(element)} by ${there ? named(there) : 'nothing'}`]
      })
    const headings = [...document.querySelectorAll('th[scope="col"]')]
      .filter((heading) => seen(heading) && getComputedStyle(heading).overflowX === 'visible')
      .filter((heading) => heading.scrollWidth > heading.clientWidth + 1)
      .map((heading) => `runs into the next: ${named(heading)}`)
    return [...outside, ...scrolls, ...headings, ...covered]
  })
}

for (const width of widths) {
  test(`at ${width} wide nothing scrolls sideways and nothing covers anything`, async ({ page }) => {
    test.setTimeout(120_000)
    await page.setViewportSize({ width: 1280, height: 800 })
    await signIn(page, 'ines')
    await page.setViewportSize({ width, height: 800 })
    for (const [name, path, open] of views) {
      await page.goto(path)
      await expect(page.getByRole('heading').first()).toBeAttached()
      await open(page)
      await expect(page.locator('main')).toBeVisible()
      expect(`${name}: ${(await misplaced(page)).join('; ')}`).toBe(`${name}: `)
    }
  })
}

test('margin and class list are called and put away by a key where they are folded', async ({ page }) => {
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Bea/, 'Bea')
  await page.setViewportSize({ width: 640, height: 400 })
  await editor.focus()
  await page.keyboard.press('Alt+m')
  await expect(page.getByRole('dialog', { name: 'About Bea' })).toContainText('Talks about art')
  await page.keyboard.press('Alt+m')
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('Alt+l')
  await page
    .getByRole('dialog', { name: 'Class list' })
    .getByRole('button', { name: /Leilani/ })
    .click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await expect(page.getByRole('textbox', { name: 'Art for Leilani' })).toBeVisible()
  await page.getByLabel('Stage', { exact: true }).selectOption('read')
  await expect(page).toHaveURL(/\/read$/)
})

test('from the page’s start to the first cell in three, and the class list is one stop', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/settle')
  await page.getByRole('tab', { name: 'Habits' }).click()
  await page.reload()
  const first = page.getByRole('gridcell', { name: /^Finn, Taking care/ })
  await expect(first).toBeVisible()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'To the work' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(first).toBeFocused()
  const names = page.getByRole('navigation', { name: 'Class list' })
  await names.getByRole('button', { name: /Finn/ }).focus()
  await page.keyboard.press('ArrowDown')
  await expect(names.getByRole('button', { name: /Will/ })).toBeFocused()
  await page.keyboard.press('Tab')
  await expect(names.locator(':focus')).toHaveCount(0)
})

test('names in other scripts are shown in fonts that come with the application', async ({ page }) => {
  await signIn(page, 'ines')
  const editor = await openComment(page, 'Art', /Grace/, 'Grace')
  const before = await editor.inputValue()
  await editor.fill('משה, محمد, 王小明, สมชาย')
  const loaded = (): Promise<string[]> =>
    page.evaluate(() =>
      [...document.fonts].filter((font) => font.status === 'loaded').map((font) => font.family.replaceAll('"', '')),
    )
  for (const script of ['Hebrew', 'Arabic', 'SC', 'Thai'])
    await expect.poll(loaded).toContain(`Noto Sans ${script} Variable`)
  await editor.fill(before)
})
