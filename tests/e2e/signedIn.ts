import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'

/** The demo's password of a sign-in, from its own file. */
export function passwordOf(name: string): string {
  const line = readFileSync('demo/school/people.csv', 'utf8').split('\n').find((each) => each.startsWith(`${name},`))
  return line?.split(',')[4] ?? ''
}

/** Signs in and stands at the desk. */
export async function signIn(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Password').fill(passwordOf(name))
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Your desk' })).toBeVisible()
}

/** Waits until everything that was changed has been saved. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^saved/ })).toBeVisible()
}
