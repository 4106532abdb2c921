/** Third-person singular forms whose plural is not found by rule. */
const irregular: Record<string, string> = {
  'has': 'have',
  'is': 'are',
  'was': 'were',
  'does': 'do',
  'goes': 'go',
  "hasn't": "haven't",
  "isn't": "aren't",
  "wasn't": "weren't",
  "doesn't": "don't",
  'focuses': 'focus',
}

/**
 * The form a verb takes after "they", from the form it takes after "she": has → have, tries → try, writes → write.
 * The usual spelling rules of English (common practice): -ies → -y, -es after a hissing sound goes whole, else -s goes.
 * @example pluralVerb('tries') // 'try'
 */
export function pluralVerb(singular: string): string {
  const listed = irregular[singular.replace('’', "'")]
  if (listed !== undefined) return listed
  if (/[^aeiou]ies$/.test(singular) && singular.length > 4) return `${singular.slice(0, -3)}y`
  if (/(ch|sh|ss|x|zz|[^aeiou]o)es$/.test(singular)) return singular.slice(0, -2)
  return singular.replace(/s$/, '')
}
