const start = 0x811c9dc5

let last = { seed: '', after: hashed(start, '\u0000') }

/**
 * A number from 0 to 1 that depends on nothing but its words (FNV-1a, 32 bit): the deterministic stand-in for chance.
 * Each student prefers each phrase by its own number, so that one student's change does not shift the others.
 * @example preference('05101', 'science', 'Winter term', 'p-17') // from 0 to 1, and always the same
 */
export function preference(...words: string[]): number {
  return mixed(hashed(start, words.join('\u0000')))
}

/**
 * The same for many words with one beginning, which is worked out once as long as it is asked for.
 * @example preferenceOfEach('05101')('p-17') // preference('05101', 'p-17')
 */
export function preferenceOfEach(seed: string): (word: string) => number {
  if (seed !== last.seed) last = { seed, after: hashed(start, `${seed}\u0000`) }
  const { after } = last
  return (word) => mixed(hashed(after, word))
}

function hashed(from: number, text: string): number {
  let hash = from
  for (let at = 0; at < text.length; at += 1) {
    const code = text.codePointAt(at) ?? 0
    if (code > 0xffff) at += 1
    hash = Math.imul(hash ^ code, 0x01000193)
  }
  return hash
}

/** A final mix, since FNV's low bits are weak for short inputs. */
function mixed(hash: number): number {
  const mixedOnce = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d)
  return ((mixedOnce ^ (mixedOnce >>> 13)) >>> 0) / 0xffffffff
}
