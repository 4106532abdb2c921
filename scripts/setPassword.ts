import { createInterface } from 'node:readline/promises'
import { passwordProblem } from '../core/people/passwordProblem'
import { database } from '../server/data/database'
import { setPassword } from '../server/data/people'

/**
 * Sets a person's password and ends all of their sessions: `npm run password -- NAME`, then type it (or pipe it in).
 * Address: DATABASE_URL, or Facunda's own cluster while it runs.
 */
const [name] = process.argv.slice(2)
if (name === undefined) fail('Say whose: npm run password -- NAME')
const reader = createInterface({ input: process.stdin, output: process.stderr })
const password = (await reader.question(`New password of ${name}: `)).trim()
reader.close()
const problem = passwordProblem(password, [name], new Set())
if (problem !== null) fail(problem)
const db = database()
try {
  if (!(await setPassword(db, name, password))) fail(`Nobody signs in as “${name}”.`)
  console.log(`${name} has a new password; whoever was signed in as ${name} has to sign in again.`)
} finally {
  await db.destroy()
}

function fail(message: string): never {
  console.error(message)
  process.exit(1)
}
