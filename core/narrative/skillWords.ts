import { lowerFirst } from './capitals'
import { alsoNouns, pluralVerbs, singularVerbs } from './frame/verbWords'
import { parsePhrase } from './notation'
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
const lead =
  /^((i|we|you|he|she|they|the (student|child|learner|pupil)|students?|children|learners?|pupils?) )?(can|could|is able to|are able to|be able to|will|to|should)\s+/i

/** The words of a text, with the gap before each. */
const words = /(\P{L}*)(\p{L}[\p{L}\p{M}]*(?:[’'-]\p{L}+)*)/gu

/**
 * A skill's family words in the forms that sentences need, with their verbs found: the first word, and what stands
 * like it after "and", "or" or a comma. A word in braces is a verb by somebody's own decision, and then no other is.
 *
 * @example skillWords('Adds and subtracts large numbers')
 * // { does: '{adds} and {subtracts} large numbers', do: 'add and subtract large numbers', doing: 'adding and …' }
 * @returns null where there are no words
 */
export function skillWords(written: string): SkillWords | null {
  const text = written.trim().replace(/[.;,]+$/, '')
  if (/\{/.test(text)) return inForms(text)
  const plain = lowerFirst(text.replace(lead, ''))
  const [first] = plain.match(/^\p{L}[\p{L}'’-]*/u) ?? []
  if (first === undefined) return null
  const form = formOf(first)
  let made = ''
  let end = 0
  let before = ''
  for (const match of plain.matchAll(words)) {
    const [whole, gap = '', word = ''] = match
    const after = plain.slice(match.index + whole.length)
    const isVerb = end === 0 || (followsOn(gap, before) && standsAsVerb(word, form, after))
    made += gap + (isVerb ? `{${singularOf(word, form)}}` : word)
    end = match.index + whole.length
    before = word.toLowerCase()
  }
  return inForms(made + plain.slice(end))
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
 * @example skillsTogether(['adding and subtracting', 'drawing graphs']) // 'adding and subtracting, and drawing graphs'
 */
export function skillsTogether(skills: readonly string[]): string {
  const last = skills.at(-1) ?? ''
  if (skills.length < 2) return last
  const parted = skills.length > 2 || skills.some((skill) => / and |,/.test(skill))
  return `${skills.slice(0, -1).join(', ')}${parted ? ',' : ''} and ${last}`
}
