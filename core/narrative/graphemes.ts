const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' })

/**
 * The length of a text as its reader counts it: user-perceived characters (UAX 29), so "é" and "👩‍🏫" are one each.
 *
 * @example countGraphemes('👩‍👧') // 1, where its length is 5
 */
export function countGraphemes(text: string): number {
  // Latin letters with their accents built in and the usual punctuation need no segmenting: one unit is one character.
  if (/^[\x20-\x7e\n\u00a0-\u02ff\u2010-\u2027\u2030-\u205e]*$/.test(text)) return text.length
  let count = 0
  for (const _segment of segmenter.segment(text)) count += 1
  return count
}
