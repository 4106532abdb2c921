import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname } from 'node:path'

/** The secret that seals session cookies: made at first start, kept in a git-ignored file only its owner reads. */
export function sessionSecret(file) {
  if (!existsSync(file)) {
    mkdirSync(dirname(file), { recursive: true })
    writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 })
  }
  return readFileSync(file, 'utf8')
}
