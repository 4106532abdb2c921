/**
 * A text with the quotation marks and apostrophes that print has, every place in it as it was: what is typed straight
 * is set right.
 * @example curlyQuotes(`"It's hers," he said.`) // “It’s hers,” he said.
 */
export function curlyQuotes(text: string): string {
  return text
    .replace(/(^|[\s([{—–-])"/g, '$1“')
    .replaceAll('"', '”')
    .replace(/(^|[\s([{—–“])'(?!(?:\d\ds?|tis|twas|til|em|n)\b)/gi, '$1‘')
    .replaceAll("'", '’')
}
