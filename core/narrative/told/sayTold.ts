import { lowerFirst } from '../capitals'
import type { RatedFact } from '../because'
import { skillsTogether, type SkillWords } from '../skillWords'
import type { Level } from '../../scales/scale'
import { mannersOf } from './manners'
import { movedBy, type Telling } from './planTold'

/** A wording of a telling: the same id for the same shape, whoever it is said of. */
export interface ToldWording {
  readonly id: string
  /** In the notation, without a full stop. */
  readonly text: string
}

/** What the sentences of a box name besides the skills. */
export interface ToldSetting {
  /** "mathematics"; null in the general comment. */
  readonly subject: string | null
  /** "autumn term"; null where none is known. */
  readonly termBefore: string | null
  /** How many skills the box has, rated or not. */
  readonly of: number
}

/** Every wording of a telling that is true of it; none where no words are known. */
export function wordingsOf({ relation, facts }: Telling, setting: ToldSetting): ToldWording[] {
  const worded = facts.filter(({ words }) => words !== null)
  const [first, second] = worded
  if (!first?.words || worded.length < facts.length) return []
  switch (relation) {
    case 'level':
      return atOneLevel(worded)
    case 'all at one level':
      return [...allAtOneLevel(worded, setting), ...(worded.length <= 3 ? atOneLevel(worded) : [])]
    case 'strength and difficulty':
      return second ? contrast(first, second) : []
    case 'up':
    case 'down':
      return moved(worded, setting)
  }
}

/** The words of several skills in one breath. */
function together(facts: readonly RatedFact[]): SkillWords {
  const form = (which: keyof SkillWords): string => skillsTogether(facts.map(({ words }) => words?.[which] ?? ''))
  return { does: form('does'), do: form('do'), doing: form('doing') }
}

function atOneLevel(facts: readonly RatedFact[]): ToldWording[] {
  const [first, second] = facts
  if (!first) return []
  const often = howOften(first)
  const words = together(facts)
  if (often !== null)
    return [
      { id: `told ${often}`, text: `{They} ${often} ${words.does}` },
      // "Seldom does she": the verb would come first.
      ...(/^(seldom|rarely)$/.test(often)
        ? []
        : [{ id: `told ${often} fronted`, text: `${upper(often)} {they} ${words.does}` }]),
    ]
  const plain = mannersOf(first.level, words).map(({ id, text }) => ({ id: `told ${id}`, text: text(words) }))
  if (facts.length !== 2 || !first.words || !second?.words) return plain
  const [one, other] = [first.words, second.words]
  return [
    ...plain,
    ...mannersOf(first.level, one).map(({ id, text }) => ({
      id: `told ${id}, the same goes for`,
      text: `${text(one)}; the same goes for ${other.doing}`,
    })),
  ]
}

/** A score that says how often, as an adverb; null for one that does not. */
function howOften({ kind, level }: RatedFact): string | null {
  const name = level.name.trim().toLowerCase()
  return kind === 'habit' &&
    /^(nearly always|almost always|always|usually|often|mostly|sometimes|occasionally|seldom|rarely)$/.test(name)
    ? name
    : null
}

const ofAll: readonly { id: string; says: RegExp | null; tiers: readonly Level['tier'][]; text: string }[] = [
  { id: 'show others how', says: /show others/i, tiers: ['top'], text: '{they} can show others how' },
  { id: 'very strong', says: null, tiers: ['top'], text: '{they} {is} very strong' },
  { id: 'confident', says: /confiden/i, tiers: ['strong'], text: '{they} {is} confident' },
  { id: 'strong', says: null, tiers: ['strong'], text: '{they} {is} strong' },
  { id: 'as expected', says: /expect/i, tiers: ['sound'], text: '{they} {is} where we expect' },
  { id: 'secure', says: null, tiers: ['sound'], text: '{they} {is} secure' },
  {
    id: 'with help',
    says: /with help/i,
    tiers: ['growing'],
    text: '{they} {is} part of the way, or {works} with help',
  },
  { id: 'under way', says: null, tiers: ['growing'], text: '{they} {is} under way' },
  { id: 'a start', says: /start/i, tiers: ['starting'], text: '{they} {has} made a start' },
  { id: 'early stage', says: null, tiers: ['starting'], text: '{they} {is} at an early stage' },
]

function allAtOneLevel(facts: readonly RatedFact[], { subject, of }: ToldSetting): ToldWording[] {
  const [first] = facts
  if (!first || subject === null) return []
  const { tier, familySentence } = first.level
  const which =
    facts.length === of
      ? `all ${numberWord(facts.length)} skills`
      : `all ${numberWord(facts.length)} skills that we looked at`
  return ofAll
    .filter((each) => each.tiers.includes(tier) && (each.says === null || each.says.test(familySentence)))
    .map(({ id, text }) => ({ id: `told all ${id}`, text: `In ${which} in ${subject}, ${text}` }))
}

function contrast(high: RatedFact, low: RatedFact): ToldWording[] {
  if (!high.words || !low.words) return []
  const [strong, weak] = [high.words, low.words]
  const lowManners = mannersOf(low.level, weak).filter(({ atTheEnd }) => !atTheEnd)
  return mannersOf(high.level, strong).flatMap((manner) =>
    lowManners.map((each) => ({
      id: `told ${manner.id}, but ${each.id}`,
      text: `${manner.text(strong)}, but ${each.text(weak).replace(/^\{They\} /, '')}`,
    })),
  )
}

/** "Has gone up a step since the autumn term, and can now show others how": the level in the school's own words. */
function moved(facts: readonly RatedFact[], { termBefore }: ToldSetting): ToldWording[] {
  const [first] = facts
  const by = first ? movedBy(first) : 0
  if (!first || by === 0 || termBefore === null) return []
  const steps = Math.abs(by) === 1 ? 'a step' : `${numberWord(Math.abs(by))} steps`
  const way = by > 0 ? 'up' : 'down'
  const { doing } = together(facts)
  const now = levelAsVerb(first.level, facts.length)
  const step = `gone ${way} ${steps} in ${doing}`
  const bare = [
    { id: `told ${way}`, text: `{They} {has} ${step} since the ${termBefore}` },
    { id: `told ${way} since`, text: `Since the ${termBefore}, {they} {has} ${step}` },
  ]
  if (now !== null) return bare.map(({ id, text }) => ({ id: `${id}, and now`, text: `${text}, and now ${now}` }))
  return bare
}

/**
 * "Does this with confidence." → "{does} this with confidence", of two skills "{does} both with confidence"; null where
 * the sentence is none about what the child does now.
 */
function levelAsVerb({ familySentence }: Level, of: number): string | null {
  const [sentence = ''] = familySentence.split(/(?<=[.!?])\s/)
  const these = of === 1 ? 'this' : of === 2 ? 'both' : `all ${numberWord(of)}`
  const plain = lowerFirst(sentence.replace(/[.!?]$/, '')).replace(/\bthis\b(?! (?:age|grade|year))/, these)
  if (/^does\b/.test(plain)) return `{does}${plain.slice(4)}`
  return /^can\b/.test(plain) && (of === 1 || /\b(both|all)\b/.test(plain)) ? plain : null
}

function numberWord(count: number): string {
  return ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'][count] ?? String(count)
}

function upper(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
