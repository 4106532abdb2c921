/**
 * How many words must be put in, taken out or exchanged to make one text of the other (Levenshtein 1965, over words).
 * @param atMost beyond this it is only known to be more, and `atMost + 1` is given; keeps two unlike texts cheap
 */
export function editDistance(a: readonly string[], b: readonly string[], atMost: number): number {
  if (Math.abs(a.length - b.length) > atMost) return atMost + 1
  let row = b.map((_, at) => at + 1)
  for (const [at, word] of a.entries()) {
    let diagonal = at
    let left = at + 1
    let least = left
    row = row.map((above, column) => {
      left = Math.min(left + 1, above + 1, diagonal + (word === b[column] ? 0 : 1))
      diagonal = above
      least = Math.min(least, left)
      return left
    })
    if (least > atMost) return atMost + 1
  }
  return Math.min(atMost + 1, row.at(-1) ?? a.length)
}
