import { dictionary } from '@zxcvbn-ts/language-common'
import { passwordProblem } from '../../core/people/passwordProblem'
import { Refusal } from '../access/refusal'

const common: ReadonlySet<string> = new Set(dictionary.passwords as Iterable<string>)

/** @param own names that others would guess first @throws Refusal when a password will not do */
export function passwordRefused(password: string, own: readonly string[]): void {
  const problem = passwordProblem(password, own, common)
  if (problem !== null) throw new Refusal('invalid', problem)
}
