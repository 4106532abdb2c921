/** Numbers for words from 0 on, in the order in which they are asked for: counting by them is counting in a list. */
function numbering(): (word: string) => number {
  const numbers = new Map<string, number>()
  return (word) => {
    const known = numbers.get(word)
    if (known !== undefined) return known
    numbers.set(word, numbers.size)
    return numbers.size - 1
  }
}

/**
 * A small whole number for the id of a phrase or the name of a frame.
 * @example nameNumber('p-17') === nameNumber('p-17') // true: one name, one number
 */
export const nameNumber: (name: string) => number = numbering()

/** The same for the name of a word family (familyNumber). */
export const numberOfFamily: (family: string) => number = numbering()

/** The same for a word as it is written (wordNumbers). */
export const numberOfWord: (word: string) => number = numbering()
