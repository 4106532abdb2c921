const numbers = new Map<string, number>()

/**
 * A small whole number for a name, so that counting what it names is counting in a list.
 * @example nameNumber('p-17') === nameNumber('p-17') // true: one name, one number
 */
export function nameNumber(name: string): number {
  const known = numbers.get(name)
  if (known !== undefined) return known
  numbers.set(name, numbers.size)
  return numbers.size - 1
}
