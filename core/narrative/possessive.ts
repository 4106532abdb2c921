/** How a school writes the possessive of a name that ends in s: "James's" or "James'". */
export type PossessiveRule = "apostrophe and s" | 'apostrophe only'

/** The possessive of a name: "Maya’s", and for names in s as the school chooses. Style manuals allow both. */
export function possessiveOf(name: string, rule: PossessiveRule): string {
  return /s$/i.test(name) && rule === 'apostrophe only' ? `${name}’` : `${name}’s`
}
