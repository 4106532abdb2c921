/** What no text may hold: U+0000, which no database keeps, and halves of characters. */
const unkeepable = /\0|\p{Surrogate}/gu

/**
 * Whether a text can be kept and sent as it is.
 * @example isKeepable('Zoë') // true; isKeepable('a\\u0000') // false
 */
export function isKeepable(text: string): boolean {
  return withoutUnkeepable(text) === text
}

/**
 * A text without what cannot be kept; all else stays as it was typed.
 * @example withoutUnkeepable('a\\u0000b') // 'ab'
 */
export function withoutUnkeepable(text: string): string {
  return text.replace(unkeepable, '')
}

/**
 * A text as it is kept: without what cannot be kept, and composed (NFC), so that two spellings of one letter are one.
 *
 * @example keepable('Zoe\u0308\0') // 'Zoë'
 */
export function keepable(text: string): string {
  return withoutUnkeepable(text).normalize('NFC')
}
