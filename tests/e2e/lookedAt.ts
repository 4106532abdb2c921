import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** What axe finds on a page, and by how much it scrolls sideways at the narrowest (WCAG 2.2, 1.4.10). */
export async function lookedAt(page: Page): Promise<unknown[]> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  await page.setViewportSize({ width: 320, height: 800 })
  // What follows the width is drawn a moment after it has changed.
  const fits = () => document.documentElement.scrollWidth <= window.innerWidth
  await page.waitForFunction(fits, null, { timeout: 5000 }).catch(() => undefined)
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  await page.setViewportSize({ width: 1280, height: 800 })
  return [
    violations.map((violation) => `${violation.id}: ${violation.nodes[0]?.target.join(' ')}`),
    Math.max(0, sideways),
  ]
}
