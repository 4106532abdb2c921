import { createHash, timingSafeEqual } from 'node:crypto'
import { Refusal } from './refusal'

/**
 * An empty school belongs to whoever can read the console of the machine that it runs on: that is where the key is
 * printed (FACUNDA_SETUP_KEY). Once there is a school it opens nothing.
 * @throws Refusal
 */
export function requireSetUpKey(given: string): void {
  const key = process.env.FACUNDA_SETUP_KEY
  if (!key) {
    throw new Refusal('forbidden', 'This server was started without a key to set up a school: see docs/operating.md.')
  }
  const digest = (text: string): Buffer => createHash('sha256').update(text.trim().toLowerCase()).digest()
  if (!timingSafeEqual(digest(given), digest(key))) {
    throw new Refusal('forbidden', 'This is not the key that the console printed when Facunda was started.')
  }
}
