import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { signIn } from './signedIn'

type Scheme = 'light' | 'dark'

async function inspect(page: Page, where: string, scheme: Scheme): Promise<void> {
  // Source: axe-core, the rules of WCAG 2.0 to 2.2, A and AA, and its best practices; at night colours alone differ.
  const axe = new AxeBuilder({ page })
  const { violations } = await (scheme === 'dark' ? axe.withRules(['color-contrast']) : axe).analyze()
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
    const look = (where: string): Promise<void> => inspect(page, where, scheme)
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
    await look('sign-in')
    await signIn(page, 'ines')
    await look('desk')
    for (const stage of ['gather', 'settle', 'write', 'read', 'send']) {
      await page.goto(`/${stage}`)
      await expect(
        page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: /Finn Aaltonen/ }),
      ).toBeVisible()
      await expect(page.getByRole('region').last()).toBeVisible()
      await look(stage)
    }
    await page.goto('/settle')
    for (const tab of [/^Skills/, 'Habits']) {
      await page.getByRole('tab', { name: tab }).click()
      await expect(page.getByRole('grid')).toBeVisible()
      await look(`settle ${String(tab)}`)
    }
    await page.getByRole('tab', { name: 'The class' }).click()
    await look('settle, the class')
    await page.getByRole('tab', { name: /^Marks/ }).click()
    for (const path of ['/student', '/meeting']) {
      await page.goto(path)
      await expect(page.getByRole('heading', { name: 'Marks', exact: true })).toBeVisible()
      await look(path)
    }
    await page.goto('/gather')
    await page.getByLabel('Choose a gradebook file').setInputFiles('demo/files/writing-museum-visit.csv')
    await expect(page.getByText(/who is “Jonas”/)).toBeVisible()
    await look('gather, mapping')
    await page.goto('/phrasebook')
    for (const view of ['phrases', 'plan', 'describing words', 'checks', 'files']) {
      await page.getByRole('button', { name: view, exact: true }).click()
      if (view === 'phrases')
        await page
          .getByRole('button', { name: /^habit Working together, .* wordings/ })
          .first()
          .click()
      await look(`phrasebook, ${view}`)
    }
    await page.goto('/no-such-page')
    await expect(page.getByText('There is nothing at this address')).toBeVisible()
    await look('not found')
    expect(forbidden).toEqual([])
  })
}
