/**
 * A word or sentence with its first letter large.
 * @example capitalised('we begin') // 'We begin'
 */
export function capitalised(words: string): string {
  return words.charAt(0).toLocaleUpperCase('en') + words.slice(1)
}

/**
 * "Spelling and punctuation" inside a sentence; a word with more capitals, or a language's name, stays.
 *
 * @example lowerFirst('Autumn term') // 'autumn term'; lowerFirst('PE') // 'PE'
 */
export function lowerFirst(name: string): string {
  return /^(\p{Lu}\p{Lu}|English|French|German|Spanish|Latin|Irish|Welsh)/u.test(name)
    ? name
    : name.charAt(0).toLocaleLowerCase('en') + name.slice(1)
}
