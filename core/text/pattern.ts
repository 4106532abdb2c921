/**
 * One of several words, as a part of a pattern.
 * @param words parted by spaces; an underscore stands for a space inside one
 * @example anyOf('is was has_been') // '(?:is|was|has been)'
 */
export function anyOf(words: string): string {
  return `(?:${words.trim().split(/\s+/).join('|').replaceAll('_', ' ')})`
}

/**
 * Whether a whole text is one of several words.
 * @param words as for anyOf
 * @example oneOf('is was').test('was') // true; of 'wash' false
 */
export function oneOf(words: string, flags?: string): RegExp {
  return new RegExp(`^${anyOf(words)}$`, flags)
}

/**
 * A pattern out of its parts, for matchAll: whatever the case, by whole characters.
 * @example pattern(String.raw`\b`, anyOf('loose lose'), String.raw`\b`) // /\b(?:loose|lose)\b/giu
 */
export function pattern(...parts: readonly string[]): RegExp {
  return new RegExp(parts.join(''), 'giu')
}
