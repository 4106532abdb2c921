import { lowerFirst } from './capitals'
import { alsoNouns, pluralVerbs, singularVerbs } from './frame/verbWords'
import { parsePhrase } from './notation'
import { mayBeForeign } from './otherLanguages'
import { baseOfGerund, baseOfSingular, gerund, singularVerb } from './verbForms'

/** A skill's words in the forms that sentences need. */
export interface SkillWords {
  /** After a subject, its verbs in the notation: "{adds} and {subtracts} large numbers". */
  readonly does: string
  /** After "can" and "is learning to": "add and subtract large numbers". */
  readonly do: string
  /** After "is good at": "adding and subtracting large numbers". */
  readonly doing: string
}

type Form = 'does' | 'do' | 'doing'

/** What skills are often written after, and what a sentence about a child puts in its place. */
const lead = new RegExp(
  [
    '^(?:(?:i|we|you|he|she|they|the (?:student|child|learner|pupil)|students?|children|learners?|pupils?) )?',
    '(?:(?:can|could|will|should|must|is|are) be able to|(?:is|are|be) able to|can|could|will|to|should|must)\\s+',
  ].join(''),
  'i',
)

/** What stands before a statement in a list of them: "5.NBT.2", "M3:", "2)". */
const code = /^\(?(?:\d[\p{L}\d.-]*|\p{Lu}{1,4}[.-]?\d[\p{L}\d.-]*)[):]?\s+/u

/** A statement that is nothing but its number. */
const onlyCode = /^\(?(?:\d[\p{L}\d.-]*|\p{Lu}{1,4}[.-]?\d[\p{L}\d.-]*)[):]?$/u

/** Things that skills are named after, though their first word may be a verb elsewhere; ours. */
const things = new RegExp(
  [
    '^(?:place value|number (?:sense|facts|bonds|work)|problem solving|data handling|word (?:work|choice|reading)|',
    '(?:sentence|text) structure|time management|group work|sound knowledge|mental \\p{L}+|',
    '(?:reading|writing|listening|speaking|spelling|handwriting) ',
    '(?:comprehension|composition|conventions|fluency|accuracy|stamina|strategies|skills|vocabulary))\\b',
  ].join(''),
  'iu',
)

/** More words than this are no skill that a sentence could hold. */
const mostWords = 24

/** The words of a text, with the gap before each. */
const words = /(\P{L}*)(\p{L}[\p{L}\p{M}]*(?:[’'-]\p{L}+)*)/gu

/**
 * A skill's family words in the forms that sentences need, with their verbs found: the first word, and what stands
 * like it after "and", "or" or a comma. A word in braces is a verb by somebody's own decision, and then no other is.
 *
 * @example skillWords('Adds and subtracts large numbers')
 * // { does: '{adds} and {subtracts} large numbers', do: 'add and subtract large numbers', doing: 'adding and …' }
 * @returns null where there are no words, or none of English
 */
export function skillWords(written: string): SkillWords | null {
  // Of two sentences the first says what the skill is.
  const [sentence = ''] = written.trim().split(/(?<=[.!?;])\s+(?=\p{Lu})/u)
  const text = sentence.replace(/[.;,!?]+$/, '')
  if (/\{/.test(text)) return inForms(text)
  const bare = text.replace(code, '')
  const plain = lowerFirst(bare.replace(lead, '').replace(/^(\p{L}+ing)\s+of\s+/iu, '$1 '))
  const [first] = plain.match(/^\p{L}[\p{L}'’-]*/u) ?? []
  if (first === undefined || plain.split(/\s+/).length > mostWords || onlyCode.test(text) || mayBeForeign(text))
    return null
  if (isThing(plain, first) && !lead.test(bare)) return inForms(`{works} with ${plain}`)
  const form = formOf(first)
  let made = ''
  let end = 0
  let before = ''
  let onlyVerbs = true
  for (const match of plain.matchAll(words)) {
    const [whole, gap = '', word = ''] = match
    const after = plain.slice(match.index + whole.length)
    const isOneMore: boolean = onlyVerbs && isVerbIn(word, form)
    const isVerb: boolean = end === 0 || (followsOn(gap, before) && (isOneMore || standsAsVerb(word, form, after)))
    onlyVerbs = onlyVerbs && (isVerb || /^(and|or)$/.test(word))
    made += gap + (isVerb ? `{${singularOf(word, form)}}` : word)
    end = match.index + whole.length
    before = word.toLowerCase()
  }
  return inForms(made + plain.slice(end))
}

/** A skill that is named by a thing: "Place value", "Fractions and decimals". It is worked with. */
function isThing(plain: string, first: string): boolean {
  if (things.test(plain)) return true
  const word = first.toLowerCase()
  if (pluralVerbs.has(word) || singularVerbs.has(word) || /^..+ing$/.test(word)) return false
  const [, next = ''] = plain.split(/\s+/)
  return !/[^s]s$/.test(word) || next === '' || /^(and|or|of|in)$/.test(next)
}

function isVerbIn(word: string, form: Form): boolean {
  if (form === 'doing') return /^\p{L}{2,}ing$/u.test(word)
  return form === 'do' ? pluralVerbs.has(word) : singularVerbs.has(word)
}

/** Which form a skill's first word has; a verb that nobody knows is taken by its ending. */
function formOf(first: string): Form {
  const word = first.toLowerCase()
  if (pluralVerbs.has(word)) return 'do'
  if (singularVerbs.has(word)) return 'does'
  if (/^..+ing$/.test(word)) return 'doing'
  return /[^s]s$/.test(word) ? 'does' : 'do'
}

function followsOn(gap: string, before: string): boolean {
  return /^(and|or|then)$/.test(before) || /,/.test(gap)
}

/** Whether a word after "and" or a comma is a verb like the first one, rather than a thing. */
function standsAsVerb(word: string, form: Form, after: string): boolean {
  const [, next = ''] = /^,? (?:and|or) ([\p{L}’'-]+)/u.exec(after) ?? []
  const verbNext = singularVerbs.has(next) ? !alsoNouns.has(next) : pluralVerbs.has(next)
  const isThing = !verbNext && /^\s*($|[.,;:)]|(and|or|of|in|on|at|with|to)\b)/.test(after)
  if (form === 'doing') return /^\p{L}{2,}ing$/u.test(word) && (pluralVerbs.has(baseOfGerund(word)) || !isThing)
  if (form === 'do') return pluralVerbs.has(word) && !(isThing && alsoNouns.has(singularVerb(word)))
  return singularVerbs.has(word) && !(isThing && alsoNouns.has(word))
}

function singularOf(word: string, form: Form): string {
  if (form === 'does') return word
  return singularVerb(form === 'do' ? word : baseOfGerund(word))
}

/** @returns null where the braces cannot be read */
function inForms(does: string): SkillWords | null {
  const base = does.replace(/\{([^{}]+)\}/g, (_, verb: string) => baseOfSingular(verb))
  const doing = does.replace(/\{([^{}]+)\}/g, (_, verb: string) => gerund(baseOfSingular(verb)))
  try {
    parsePhrase(does)
  } catch {
    return null
  }
  return does === '' || /[{}]/.test(base) ? null : { does, do: base, doing }
}

/**
 * Several skills in one breath, in one form. Where one of them has an "and" of its own, a comma parts them.
 * @param by "or" for what is not done: "seldom asks, and listens" would say that somebody listens
 * @example skillsTogether(['adding and subtracting', 'drawing graphs']) // 'adding and subtracting, and drawing graphs'
 */
export function skillsTogether(skills: readonly string[], by: 'and' | 'or' = 'and'): string {
  const last = skills.at(-1) ?? ''
  if (skills.length < 2) return last
  const parted = skills.length > 2 || skills.some((skill) => / and |,/.test(skill))
  return `${skills.slice(0, -1).join(', ')}${parted ? ',' : ''} ${by} ${last}`
}
