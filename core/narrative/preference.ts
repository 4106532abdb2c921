/**
 * A number from 0 to 1 that depends on nothing but its words (FNV-1a, 32 bit): the deterministic stand-in for chance.
 * Each student prefers each phrase by its own number, so that one student's change does not shift the others.
 * @example preference('05101', 'science', 'Winter term', 'p-17') // from 0 to 1, and always the same
 */
export function preference(...words: string[]): number {
  let hash = 0x811c9dc5
  for (const character of words.join('\u0000')) {
    hash = Math.imul(hash ^ (character.codePointAt(0) ?? 0), 0x01000193)
  }
  // A final mix, since FNV's low bits are weak for short inputs.
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d)
  return ((hash ^ (hash >>> 13)) >>> 0) / 0xffffffff
}
