const start = 0x811c9dc5

let last = { seed: '', after: hashed(start, lettersOf('\u0000')) }

/**
 * A number from 0 to 1 that depends on nothing but its words (FNV-1a, 32 bit): the deterministic stand-in for chance.
 * Each student prefers each phrase by its own number, so that one student's change does not shift the others.
 * @example preference('05101', 'science', 'Winter term', 'p-17') // from 0 to 1, and always the same
 */
export function preference(...words: string[]): number {
  return mixed(hashed(start, lettersOf(words.join('\u0000'))))
}

/**
 * The same for many words with one beginning, which is worked out once as long as it is asked for.
 * @returns the preference for a word that lettersOf has taken apart
 * @example preferenceOfEach('05101')(lettersOf('p-17')) // preference('05101', 'p-17')
 */
export function preferenceOfEach(seed: string): (letters: readonly number[]) => number {
  if (seed !== last.seed) last = { seed, after: hashed(start, lettersOf(`${seed}\u0000`)) }
  const { after } = last
  return (letters) => mixed(hashed(after, letters))
}

/**
 * Things in an order that is somebody's own, and always the same.
 * @example inOwnOrder(['ada', 'ben'], '05101', (name) => name) // one of the two orders
 */
export function inOwnOrder<Thing>(things: readonly Thing[], seed: string, nameOf: (thing: Thing) => string): Thing[] {
  const likingOf = preferenceOfEach(seed)
  return things
    .map((thing) => ({ thing, liking: likingOf(lettersOf(nameOf(thing))) }))
    .sort((a, b) => a.liking - b.liking)
    .map(({ thing }) => thing)
}

/** A word as preferenceOfEach looks at it, by its code points: taken apart once, as every student is asked about it. */
export function lettersOf(word: string): number[] {
  const letters: number[] = []
  for (const letter of word) letters.push(letter.codePointAt(0) ?? 0)
  return letters
}

function hashed(from: number, letters: readonly number[]): number {
  let hash = from
  for (const letter of letters) hash = Math.imul(hash ^ letter, 0x01000193)
  return hash
}

/** A final mix, since FNV's low bits are weak for short inputs. */
function mixed(hash: number): number {
  const mixedOnce = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d)
  return ((mixedOnce ^ (mixedOnce >>> 13)) >>> 0) / 0xffffffff
}
