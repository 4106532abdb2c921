import { familyOf } from './wordFamily'

const numbers = new Map<string, number>()

/**
 * A small whole number for the family of a word, so that counting families is counting in a list.
 * @example familyNumber('reads') === familyNumber('reading') // true: one family, one number
 */
export function familyNumber(word: string): number {
  const family = familyOf(word)
  const known = numbers.get(family)
  if (known !== undefined) return known
  numbers.set(family, numbers.size)
  return numbers.size - 1
}
