/** How a school writes the possessive of a name that ends in s: "James's" or "James'". */
export const possessiveRules = ['apostrophe and s', 'apostrophe only'] as const
export type PossessiveRule = (typeof possessiveRules)[number]

/**
 * The possessive of a name: "Maya’s", and for names that end in s, spoken or silent (James, Louis), as the school
 * chooses; style manuals allow both. Names in x, z or another hissing sound take ’s either way (Max’s, Inez’s,
 * Maurice’s). Of several owners together only the last is marked: "Maya and James’s".
 *
 * @example possessiveOf('James', 'apostrophe and s') // 'James’s'
 */
export function possessiveOf(name: string, rule: PossessiveRule): string {
  return /s$/i.test(name) && rule === 'apostrophe only' ? `${name}’` : `${name}’s`
}
