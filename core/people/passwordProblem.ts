import { nameKey } from './names'

/**
 * So many characters at least. NIST SP 800-63B-4 (from memory): 15 where a password is all there is to signing in,
 * no signs that are forced, and none of those that are commonly used.
 */
export const shortestPassword = 15

/**
 * What is wrong with a password, in a sentence for the person who chose it; null when it will do.
 * @param own names that others would guess first: of the person, of the school
 *
 * @example passwordProblem('hill lantern', ['ines'], new Set()) // 'A password has at least 15 characters; …'
 */
export function passwordProblem(password: string, own: readonly string[], common: ReadonlySet<string>): string | null {
  if ([...password].length < shortestPassword) {
    return (
      `A password has at least ${shortestPassword} characters; ` +
      'three or four words that do not belong together will do.'
    )
  }
  const plain = lettersOf(password)
  if (common.has(password.toLocaleLowerCase('en')) || new Set(plain).size < 4) {
    return 'This password is one of those that are tried first. Choose another.'
  }
  const rest = own
    .flatMap((name) => [name, ...name.split(/[\s.'’-]+/)])
    .map(lettersOf)
    .filter((name) => name.length > 2)
    .sort((one, other) => other.length - one.length)
    .reduce((left, name) => left.replaceAll(name, ''), plain)
  if (rest.length < shortestPassword / 2) return 'This is mostly a name that others know. Choose other words.'
  return null
}

/** Letters and figures alone, without accents: names are written in many ways. */
function lettersOf(written: string): string {
  return nameKey(written).replace(/[^\p{L}\p{N}]/gu, '')
}
