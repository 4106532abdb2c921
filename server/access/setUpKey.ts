import { createHash, timingSafeEqual } from 'node:crypto'
import { Refusal } from './refusal'

/** The key with which an empty school is set up. @throws Refusal where the server was started without one */
export function setUpKey(): string {
  const key = process.env.FACUNDA_SETUP_KEY
  if (key) return key
  throw new Refusal('forbidden', 'This server was started without a key to set up a school: see docs/operating.md.')
}

/**
 * An empty school belongs to whoever can read the console of the machine that it runs on: that is where the key is
 * printed (FACUNDA_SETUP_KEY). Once there is a school it opens nothing.
 * @throws Refusal
 */
export function requireSetUpKey(given: string): void {
  const key = setUpKey()
  const digest = (text: string): Buffer => createHash('sha256').update(text.trim().toLowerCase()).digest()
  if (!timingSafeEqual(digest(given), digest(key))) {
    throw new Refusal('forbidden', 'This is not the key that the console printed when Facunda was started.')
  }
}
