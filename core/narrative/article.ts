/**
 * "a" or "an" before a word or number, by its first sound.
 * Common practice: "an" before a vowel sound. Spelling misleads for a silent h (an hour), a "you" sound (a unit,
 * a European), a "w" sound (a one-page text), figures (an 8, an 11, an 18) and letters read singly (an A, an F).
 *
 * @example ['hour', 'unit', '8', 'European', 'MP'].map(articleBefore) // ['an', 'a', 'an', 'a', 'an']
 */
export function articleBefore(word: string): 'a' | 'an' {
  const start = word.replace(/^[^\p{L}\p{N}]+/u, '')
  if (/^\d/.test(start)) return /^(8|11|18)(\D|$)|^8\d|^1[18]\d{3}(\D|$)|^8\d{2}/.test(start) ? 'an' : 'a'
  const letters = /^[A-Z]+(?![a-z])/.exec(start)?.[0]
  if (letters && (letters.length === 1 || !/[AEIOU]/.test(letters))) return /^[AEFHILMNORSX]/.test(letters) ? 'an' : 'a'
  const lower = start.toLocaleLowerCase('en').normalize('NFD').replace(/\p{M}/gu, '')
  if (/^(hour|honest|honou?r|heir)/.test(lower)) return 'an'
  if (youOrWSound.test(lower)) return 'a'
  return /^[aeiou]/.test(lower) ? 'an' : 'a'
}

/** Beginnings that are spelled with a vowel and spoken with a "you" (unit, use, European) or a "w" (one, once). */
const youOrWSound = /^(uni(?!n|m[aip]|d[ie])|unanim|us[aeu]|ut[eio]|ubiq|uku|ura|uri[nc]|eu|ewe|once|one(?!\p{L}))/u
