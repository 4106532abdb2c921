/**
 * The cases of English third-person pronouns. Named after what each does, with "they" as the example.
 * Source of the paradigm: any descriptive grammar of English; the test beside this file names the one it checks.
 */
export interface PronounSet {
  /** they listen */
  readonly subject: string
  /** we asked them */
  readonly object: string
  /** their book */
  readonly determiner: string
  /** the book is theirs */
  readonly possessive: string
  /** they taught themself */
  readonly reflexive: string
  /** True when verbs after the subject pronoun take the plural form ("they have"). */
  readonly takesPluralVerb: boolean
}

/** The words of a set, one for each case. @example formsOf(she) // ['she', 'her', 'her', 'hers', 'herself'] */
export function formsOf({ subject, object, determiner, possessive, reflexive }: PronounSet): string[] {
  return [subject, object, determiner, possessive, reflexive]
}

/** A student's pronouns, or 'name only' for a student who is to be named and never referred to by pronoun. */
export type Pronouns = PronounSet | 'name only'

export const she: PronounSet = {
  subject: 'she',
  object: 'her',
  determiner: 'her',
  possessive: 'hers',
  reflexive: 'herself',
  takesPluralVerb: false,
}
export const he: PronounSet = {
  subject: 'he',
  object: 'him',
  determiner: 'his',
  possessive: 'his',
  reflexive: 'himself',
  takesPluralVerb: false,
}
export const they: PronounSet = {
  subject: 'they',
  object: 'them',
  determiner: 'their',
  possessive: 'theirs',
  reflexive: 'themself',
  takesPluralVerb: true,
}

const known: Record<string, Pronouns> = {
  'she': she,
  'she/her': she,
  'she/her/hers': she,
  'he': he,
  'he/him': he,
  'he/him/his': he,
  'they': they,
  'they/them': they,
  'they/them/theirs': they,
  'name only': 'name only',
  'name': 'name only',
  'none': 'name only',
  '': 'name only',
}

/**
 * Reads pronouns as people write them: "she/her", "they", "name only", or five cases of a set of one's own
 * ("xe/xem/xyr/xyrs/xemself", taking singular verbs).
 * @returns undefined when it is none of these
 *
 * @example readPronouns('they/them') // { subject: 'they', object: 'them', … }
 */
export function readPronouns(written: string): Pronouns | undefined {
  const tidy = written
    .trim()
    .toLocaleLowerCase('en')
    .replace(/\s*\/\s*/g, '/')
  if (tidy in known) return known[tidy]
  const [subject, object, determiner, possessive, reflexive, ...more] = tidy.split('/')
  if (!subject || !object || !determiner || !possessive || !reflexive || more.length > 0) return undefined
  return { subject, object, determiner, possessive, reflexive, takesPluralVerb: subject === 'they' }
}

/**
 * The inverse of readPronouns, in the shortest form people use.
 * @example writePronouns(they) // 'they/them'
 */
export function writePronouns(pronouns: Pronouns): string {
  if (pronouns === 'name only') return 'name only'
  const { subject, object, determiner, possessive, reflexive } = pronouns
  if (known[subject] !== undefined) return `${subject}/${object}`
  return [subject, object, determiner, possessive, reflexive].join('/')
}
