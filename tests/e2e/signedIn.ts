import { readFileSync } from 'node:fs'
import { expect, type Locator, type Page } from '@playwright/test'

/** The demo's password of a sign-in, from its own file. */
export function passwordOf(name: string): string {
  const line = readFileSync('demo/school/people.csv', 'utf8')
    .split('\n')
    .find((each) => each.startsWith(`${name},`))
  return line?.split(',')[4] ?? ''
}

/** Signs in, without the form, and stands at the desk. */
export async function signIn(page: Page, name: string): Promise<void> {
  const answer = await page.request.post('/api/session', { data: { name, password: passwordOf(name) } })
  expect(answer.status()).toBe(200)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Your desk' })).toBeVisible()
}

/** Signs in as people do. */
export async function signInByForm(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Password').fill(passwordOf(name))
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Your desk' })).toBeVisible()
}

/** Opens a comment of a student in Write and gives its editor. */
export async function openComment(page: Page, box: string, student: RegExp, usedName: string): Promise<Locator> {
  await page.goto('/write')
  await page.getByRole('button', { name: new RegExp(`^${box} \\d`) }).click()
  await page.getByRole('navigation', { name: 'Class list' }).getByRole('button', { name: student }).click()
  return page.getByRole('textbox', { name: `${box} for ${usedName}` })
}

/** Waits until the page has nothing left to do with what has come, and has drawn it. */
export async function drawn(page: Page): Promise<void> {
  await page.evaluate(async () => {
    for (let nth = 0; nth < 3; nth += 1) {
      await new Promise(requestAnimationFrame)
      await new Promise((done) => requestIdleCallback(done))
    }
  })
}

/** Waits until everything that was changed has been saved. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^saved/ })).toBeVisible()
}
