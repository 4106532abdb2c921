import { nameKey } from '../people/names'
import type { Subject } from './schoolSetup'

/**
 * A strand's name as it is now. Its key, which plans, phrases and comments hold to, is the name it was first given.
 * @example nameOfStrand({ strandNames: { Number: 'Numbers' } }, 'Number') // 'Numbers'
 * @example nameOfStrand({}, 'Number') // 'Number'
 */
export function nameOfStrand(subject: Pick<Subject, 'strandNames'> | undefined, key: string): string {
  const names = subject?.strandNames ?? {}
  // A strand may be called “constructor”.
  return Object.hasOwn(names, key) ? (names[key] ?? key) : key
}

/**
 * The strand that somebody means: the one that is called so now, else the one that was called so first; else a new one.
 * @param strands keys of the subject's strands
 * @example strandCalled({ strandNames: { Number: 'Numbers' } }, ['Number', 'Space'], 'numbers') // 'Number'
 * @example strandCalled({}, ['Number'], 'Chance') // 'Chance'
 */
export function strandCalled(
  subject: Pick<Subject, 'strandNames'> | undefined,
  strands: readonly string[],
  written: string,
): string {
  const wanted = nameKey(written)
  return (
    strands.find((key) => nameKey(nameOfStrand(subject, key)) === wanted) ??
    strands.find((key) => nameKey(key) === wanted) ??
    written
  )
}

/**
 * A subject's names of strands with one that is called differently from now on.
 * @example renameStrand({}, 'Number', 'Numbers') // { Number: 'Numbers' }
 * @example renameStrand({ Number: 'Numbers' }, 'Number', 'Number') // {}
 */
export function renameStrand(
  names: Readonly<Record<string, string>>,
  key: string,
  name: string,
): Record<string, string> {
  const others = Object.entries(names).filter(([each]) => each !== key)
  return Object.fromEntries(name === key || name === '' ? others : [...others, [key, name]])
}

/**
 * Names that two strands of a subject share, which nobody could tell apart.
 * @example strandsAlike({ strandNames: { Space: 'Number' } }, ['Number', 'Space']) // ['Number']
 */
export function strandsAlike(subject: Pick<Subject, 'strandNames'>, strands: readonly string[]): string[] {
  const names = [...new Set(strands)].map((key) => nameOfStrand(subject, key))
  const keys = names.map(nameKey)
  return names.filter((name, at) => keys.indexOf(nameKey(name)) !== at)
}
