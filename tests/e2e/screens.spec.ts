import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { signIn } from './signedIn'

async function inspect(page: Page, where: string): Promise<void> {
  // Source: axe-core, the WCAG 2.0 to 2.2 rules of levels A and AA and its best practices.
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(
    violations.map(
      (violation) => `${where}: ${violation.id} ${violation.nodes.map((node) => node.target.join(' ')).join('; ')}`,
    ),
  ).toEqual([])
  const sideways = await page.evaluate(() =>
    Math.max(
      document.documentElement.scrollWidth - window.innerWidth,
      ...[...document.querySelectorAll('main')].map((main) => main.scrollWidth - main.clientWidth),
    ),
  )
  expect(`${where}: ${sideways}`).toBe(`${where}: 0`)
}

for (const scheme of ['light', 'dark'] as const) {
  test(`axe finds nothing and nothing scrolls sideways, ${scheme}`, async ({ page }) => {
    // Nineteen views, each inspected whole.
    test.setTimeout(240_000)
    await page.emulateMedia({ colorScheme: scheme })
    // What a page wanted and its policy did not let it have.
    const forbidden: string[] = []
    await page.exposeFunction('noteForbidden', (what: string) => forbidden.push(what))
    await page.addInitScript(() => {
      document.addEventListener('securitypolicyviolation', ({ violatedDirective, blockedURI }) => {
        void Reflect.get(window, 'noteForbidden')(`${violatedDirective} ${blockedURI}`)
      })
    })
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
    await inspect(page, 'sign-in')
    await signIn(page, 'ines')
    await inspect(page, 'desk')
    for (const stage of ['gather', 'settle', 'write', 'read', 'send']) {
      await page.goto(`/${stage}`)
      await expect(
        page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Finn Aaltonen/ }),
      ).toBeVisible()
      await expect(page.getByRole('region').last()).toBeVisible()
      await inspect(page, stage)
    }
    await page.goto('/settle')
    for (const tab of [/^Skills/, 'Habits']) {
      await page.getByRole('tab', { name: tab }).click()
      await expect(page.getByRole('grid')).toBeVisible()
      await inspect(page, `settle ${String(tab)}`)
    }
    await page.getByRole('tab', { name: 'The class' }).click()
    await inspect(page, 'settle, the class')
    await page.getByRole('tab', { name: /^Marks/ }).click()
    for (const path of ['/student', '/meeting']) {
      await page.goto(path)
      await expect(page.getByRole('heading', { name: 'Marks', exact: true })).toBeVisible()
      await inspect(page, path)
    }
    await page.goto('/gather')
    await page.getByLabel('Choose a gradebook file').setInputFiles('demo/files/writing-museum-visit.csv')
    await expect(page.getByText(/who is “Jonas”/)).toBeVisible()
    await inspect(page, 'gather, mapping')
    await page.goto('/phrasebook')
    for (const view of ['phrases', 'plan', 'describing words', 'checks', 'files']) {
      await page.getByRole('button', { name: view, exact: true }).click()
      if (view === 'phrases')
        await page
          .getByRole('button', { name: /^habit Working together, .* wordings/ })
          .first()
          .click()
      await inspect(page, `phrasebook, ${view}`)
    }
    await page.goto('/no-such-page')
    await expect(page.getByText('There is nothing at this address')).toBeVisible()
    await inspect(page, 'not found')
    expect(forbidden).toEqual([])
  })
}
