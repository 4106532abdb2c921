/** What a document in JSON may be made of, whoever sends it. */
const most = { depth: 24, inOne: 20_000, inAll: 1_500_000 }

const [quote, backslash, comma] = [0x22, 0x5c, 0x2c]
const opens = (sign: number): boolean => sign === 0x5b || sign === 0x7b
const closes = (sign: number): boolean => sign === 0x5d || sign === 0x7d

/**
 * Why a document in JSON is not to be parsed, found by counting its brackets and commas; null where it may be. A parser
 * that is given sixteen megabytes of "[" is busy for seconds, and so is whoever looks through what it made of them.
 * @param bytes UTF-8
 * @example jsonShapeProblem(new TextEncoder().encode('[[[[[[[[[[[[[[[[[[[[[[[[[')) // 'This is nested too deeply.'
 */
export function jsonShapeProblem(bytes: Uint8Array): string | null {
  const counts: number[] = []
  let inAll = 1
  let inText = false
  for (let at = 0; at < bytes.length; at += 1) {
    const sign = bytes[at] ?? 0
    if (inText) {
      if (sign === backslash) at += 1
      else if (sign === quote) inText = false
    } else if (sign === quote) inText = true
    else if (opens(sign)) {
      if (counts.push(1) > most.depth) return 'This is nested too deeply.'
      inAll += 1
    } else if (closes(sign)) counts.pop()
    else if (sign === comma) {
      const inOne = (counts.at(-1) ?? 0) + 1
      counts[counts.length - 1] = inOne
      inAll += 1
      if (inOne > most.inOne) return `No more than ${most.inOne.toLocaleString('en')} at once.`
      if (inAll > most.inAll) return 'This is too much at once. Send less.'
    }
  }
  return null
}
