import type { ByGrade } from '../people/byGrade'
import { tierRank } from '../scales/tier'
import type { StandingFact } from './because'
import { partKinds, type PartKind } from './phrase'

/** When a part is said: always, or only at a high or low level, or when the level has moved since last term. */
export const conditions = ['high', 'low', 'high or low', 'moved', 'up'] as const
export type Condition = (typeof conditions)[number]

/** "must": it stays, however little room there is; "may": it is the first to go. */
export const needs = ['must', 'may'] as const
export type Need = (typeof needs)[number]

/** The most that "at most" can say: a part that may tell more tells all. */
export const mostAtMost = 9

/** One part of a comment, in its place. */
export interface PlannedPart {
  readonly part: PartKind
  /**
   * The strand, or the habit's key; "each" for every one there is; "mark" for the subject's mark; "strongest" or
   * "weakest" of those that the plan speaks of; "most moved" for progress; "any" where the part speaks of none.
   */
  readonly about: string
  /** Null: always. */
  readonly when: Condition | null
  /** True when it is joined to the part before into one sentence, where that reads well. */
  readonly sharesSentence: boolean
  /** Left out: it gives way as parts of its kind do. */
  readonly need?: Need | undefined
  /** So many skills or habits are told by it: those that tell most of the child. Left out: all. */
  readonly atMost?: number | undefined
}

/** A place on the report where a text goes, and how it is composed. */
export interface CommentBox {
  readonly key: string
  readonly name: string
  /** A subject's key, or null for the general comment. */
  readonly subject: string | null
  /** The most characters (graphemes) that fit. */
  readonly limit: number
  /** How many fit in some grades instead. */
  readonly limitByGrade?: ByGrade<number> | undefined
  /** The tone that is liked best here, or "" for any. */
  readonly tone: string
  readonly plan: readonly PlannedPart[]
}

/** A part of a plan with some of it put otherwise; each by its name, as in partWith. */
export function plannedWith(planned: PlannedPart, other: Partial<PlannedPart>): PlannedPart {
  return {
    part: other.part ?? planned.part,
    about: other.about ?? planned.about,
    when: other.when === undefined ? planned.when : other.when,
    sharesSentence: other.sharesSentence ?? planned.sharesSentence,
    need: 'need' in other ? other.need : planned.need,
    atMost: 'atMost' in other ? other.atMost : planned.atMost,
  }
}

/** Whether a part may tell of several skills or habits, so that it can be said of how many at most. */
export function maySayHowMany({ part, about }: Pick<PlannedPart, 'part' | 'about'>): boolean {
  if (part === 'habit') return about === 'each'
  return part === 'outcome' && !/^(mark|strongest|weakest)$/.test(about)
}

/** What a part speaks of when nothing is named. */
const aboutUnnamed: Record<PartKind, string> = {
  'opening': 'any',
  'outcome': '',
  'habit': '',
  'progress': 'most moved',
  'next step': 'weakest',
  'help at home': 'weakest',
  'closing': 'any',
}

/**
 * Reads a plan as it is written: parts parted by semicolons, "+" between parts that share a sentence, "when" before a
 * condition, and in brackets at the end whether it must be said or may, and of how many skills or habits.
 * @example readPlan('opening; outcome Number + outcome Measuring; habit each when high or low [may, at most 3]; next
 * step [must]; closing')
 * @throws Error naming the part that is none
 */
export function readPlan(written: string): PlannedPart[] {
  return written
    .split(';')
    .map((chunk) => chunk.trim())
    .filter(Boolean)
    .flatMap((chunk) => chunk.split('+').map((each, index) => readPart(each.trim(), index > 0)))
}

/**
 * The inverse of readPlan.
 * @example writePlan(readPlan('opening; outcome Number + outcome mark when high')) // the same again
 */
export function writePlan(plan: readonly PlannedPart[]): string {
  return plan
    .map((part, index) => {
      const sign = index === 0 ? '' : part.sharesSentence ? ' + ' : '; '
      return `${sign}${partKey(part)}${part.when ? ` when ${part.when}` : ''}${marksOf(part)}`
    })
    .join('')
}

/**
 * A part in words, the same in plans and in what is kept with a comment: "outcome Number", "next step".
 *
 * @example partKey({ part: 'outcome', about: 'Number' }) // 'outcome Number'
 */
export function partKey({ part, about }: Pick<PlannedPart, 'part' | 'about'>): string {
  return about === aboutUnnamed[part] ? part : `${part} ${about}`
}

function readPart(withMarks: string, sharesSentence: boolean): PlannedPart {
  const { written, marks } = withoutMarks(withMarks)
  const [named = '', condition, ...more] = written.split(/\s+when\s+/)
  const part = partKinds.find((kind) => named === kind || named.startsWith(`${kind} `))
  if (!part) throw new Error(`“${written}” is no part of a comment. Parts are: ${partKinds.join(', ')}.`)
  const when = condition === undefined ? null : conditions.find((each) => each === condition)
  if (when === undefined || more.length > 0)
    throw new Error(
      `“when ${[condition, ...more].join(' when ')}” is no condition. Conditions are: ${conditions.join(', ')}.`,
    )
  const about = named.slice(part.length).trim() || aboutUnnamed[part]
  if (about === '') throw new Error(`“${part}” needs the name of one, as in “${part} Number”, or strongest or weakest.`)
  return { part, about, when, sharesSentence, need: marks.need, atMost: marks.atMost }
}

type Marks = Pick<PlannedPart, 'need' | 'atMost'>

function marksOf({ need, atMost }: Marks): string {
  const marks = [...(need ? [need] : []), ...(atMost === undefined ? [] : [`at most ${atMost}`])]
  return marks.length === 0 ? '' : ` [${marks.join(', ')}]`
}

/** Brackets that hold anything else belong to a name. */
function withoutMarks(part: string): { written: string; marks: Marks } {
  const [, written = '', inside = ''] = /^(.*\S)\s*\[([^[\]]*)\]$/.exec(part) ?? []
  const marks = inside.split(',').map((each) => readMark(each.trim()))
  return marks.every((mark) => mark !== null)
    ? { written, marks: marks.reduce<Marks>((all, mark) => ({ ...all, ...mark }), {}) }
    : { written: part, marks: {} }
}

function readMark(mark: string): Marks | null {
  const need = needs.find((each) => each === mark)
  if (need) return { need }
  const [, number] = /^at most ([1-9])$/.exec(mark) ?? []
  return number === undefined ? null : { atMost: Number(number) }
}

/**
 * Whether a part is said of this standing. A part that speaks of nothing in particular has no condition to meet.
 * @example conditionHolds('high', { …, tier: 'strong' }) // true; 'low' and 'moved' would not hold
 */
export function conditionHolds(when: Condition | null, standing: StandingFact | null): boolean {
  if (when === null || standing === null) return when === null
  const high = tierRank(standing.tier) >= tierRank('strong')
  const low = tierRank(standing.tier) <= tierRank('growing')
  const move = standing.trend?.move ?? 'same'
  const holds: Record<Condition, boolean> = {
    'high': high,
    'low': low,
    'high or low': high || low,
    'moved': move !== 'same',
    'up': move === 'up',
  }
  return holds[when]
}
