import { numberOfFamily } from './numbers'
import { familyOf } from './wordFamily'

/**
 * A small whole number for the family of a word, so that counting families is counting in a list.
 * @example familyNumber('reads') === familyNumber('reading') // true: one family, one number
 */
export function familyNumber(word: string): number {
  return numberOfFamily(familyOf(word))
}
