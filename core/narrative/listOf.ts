const list = new Intl.ListFormat('en-GB', { type: 'conjunction' })

/**
 * "number, measuring and reasoning": a list in a sentence, as the Unicode CLDR writes it for British English.
 *
 * @example listOf(['reading', 'writing', 'art']) // 'reading, writing and art'
 */
export function listOf(words: Iterable<string>): string {
  return list.format(words)
}
