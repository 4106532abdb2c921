import { assertNever } from '../../assertNever'
import { capitalised } from '../capitals'
import type { RatedFact } from '../because'
import { allAtOneLevel } from './allAtOneLevel'
import { atTwoLevels } from './atTwoLevels'
import { contrasted } from './contrasted'
import { habitsTold } from './habitsTold'
import { levelAsVerb } from './levelAsVerb'
import { isOneThing, mannersOf } from './manners'
import { movedWordings } from './moved'
import type { Telling } from './planTold'
import { numberWord, together, type ToldSetting, type ToldWording } from './toldWording'

/** Every wording of a telling that is true of it; none where no words are known. */
export function wordingsOf({ relation, facts }: Telling, setting: ToldSetting): ToldWording[] {
  const worded = facts.filter(({ words }) => words !== null)
  const [first, second] = worded
  if (!first || worded.length < facts.length) return []
  switch (relation) {
    case 'habits':
      return habitsTold(worded, setting)
    case 'level':
      return atOneLevel(worded, setting)
    case 'all at one level':
      return [...allAtOneLevel(worded, setting), ...(worded.length <= 3 ? atOneLevel(worded, setting) : [])]
    case 'stands out':
      return standsOut(first, setting)
    case 'strength and difficulty':
      return second ? contrasted(first, second, setting) : []
    case 'two levels':
      return second ? atTwoLevels(first, second, setting) : []
    case 'up':
    case 'down':
      return movedWordings(worded, setting)
    default:
      return assertNever(relation)
  }
}

/** How a level is called of which several skills are told at once: "are strengths". */
const asMany: Record<RatedFact['level']['tier'], readonly string[]> = {
  top: ['great strengths', 'at our highest level'],
  strong: ['strengths', 'strong'],
  sound: ['secure', 'in place'],
  growing: ['not yet secure', 'not yet in place'],
  starting: ['at an early stage'],
}

function atOneLevel(facts: readonly RatedFact[], setting: ToldSetting): ToldWording[] {
  const [first, second] = facts
  if (!first) return []
  const words = together(facts)
  const plain = mannersOf(first.level, words).map(({ id, text }) => ({ id: `told ${id}`, text: text(words) }))
  const then = stoodStill(facts) ? setting.termBefore : null
  const said = then === null ? plain : [...plain, ...plain.map((wording, at) => asBefore(wording, then, at))]
  if (!second || first.kind === 'habit') return said
  const many = asMany[first.level.tier].map((each) => ({
    id: `told many ${each}`,
    text: `${capitalised(numberWord(facts.length))} skills are ${each}: ${words.doing}`,
  }))
  return [...said, ...many, ...(facts.length === 2 ? andTheSame(first, second) : [])]
}

/** The same with the term before in which it stood so too: at the end, of every other manner in front. */
function asBefore({ id, text }: ToldWording, then: string, at: number): ToldWording {
  return text.startsWith('{They}') && at % 2 === 1
    ? { id: `${id}, as before in front`, text: `As in ${then}, ${lowerThey(text)}` }
    : { id: `${id}, as before`, text: `${text}, as in ${then}` }
}

/** Two skills, the second hung on to the first. */
function andTheSame(first: RatedFact, second: RatedFact): ToldWording[] {
  const [one, other] = [first.words, second.words]
  if (!one || !other) return []
  return mannersOf(first.level, one)
    .filter(({ place }) => place !== 'skill as subject')
    .flatMap(({ id, text }) => [
      { id: `told ${id}, the same goes for`, text: `${text(one)}; the same goes for ${other.doing}` },
      { id: `told ${id}, and it is the same`, text: `${text(one)}, and it is the same with ${other.doing}` },
    ])
}

/** The one skill that stands above all others that were looked at, and where it stands. */
function standsOut({ level, words }: RatedFact, { subject }: ToldSetting): ToldWording[] {
  if (!words) return []
  const where = subject === null ? '' : ` in ${subject}`
  const now = levelAsVerb(level, 1)
  const rest = now === null ? '' : `: {they} ${now}`
  const manner = mannersOf(level, words).filter(({ place }) => place === 'before the skill')
  return [
    ...(isOneThing(words)
      ? [{ id: 'told strongest skill', text: `${capitalised(words.doing)} is {their} strongest skill${where}${rest}` }]
      : []),
    { id: 'told strongest in', text: `{They} {is} strongest in ${words.doing}${rest}` },
    { id: 'told strongest is', text: `{Their} strongest skill${where} is ${words.doing}${rest}` },
    ...manner.map(({ id, text }) => ({ id: `told above all ${id}`, text: `Above all, ${lowerThey(text(words))}` })),
  ]
}

function lowerThey(text: string): string {
  return text.replace(/^\{They\}/, '{they}')
}

function stoodStill(facts: readonly RatedFact[]): boolean {
  return facts.every(({ level, before }) => before?.tier === level.tier)
}
