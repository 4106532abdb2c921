import { capitalised } from '../capitals'
import type { RatedFact } from '../because'
import type { Tier } from '../../scales/tier'
import { levelAsPast, levelAsVerb } from './levelAsVerb'
import { withNow } from './atTwoLevels'
import { isOneThing, mannersOf } from './manners'
import { numberWord, stepsOf, together, type ToldSetting, type ToldWording } from './toldWording'

/**
 * What went up or down since the term before, from one level to one other: by how much, and in the school's own words
 * where it stands now.
 */
export function movedWordings(facts: readonly RatedFact[], setting: ToldSetting): ToldWording[] {
  const [first] = facts
  const { termBefore } = setting
  const by = first?.moved ?? 0
  if (!first || by === 0 || termBefore === null) return []
  const way = by > 0 ? 'up' : 'down'
  const steps = stepsOf(by)
  const { doing } = together(facts)
  const now = levelAsVerb(first.level, facts.length)
  const stands = by < 0 && first.level.tier === 'strong' ? 'still' : 'now'
  const andNow = now === null ? '' : `, ${stands === 'still' ? 'but' : 'and'} ${stands} ${now}`
  const count = capitalised(numberWord(facts.length))
  const [thatHave, are] = facts.length === 1 ? ['skill that has', 'is'] : ['skills that have', 'are']
  const theyNow = now === null ? '' : `; {they} ${stands} ${now}`
  const bare: ToldWording[] = [
    { id: `told ${way}`, text: `{They} {has} gone ${way} ${steps} in ${doing} since ${termBefore}${andNow}` },
    { id: `told ${way} since`, text: `Since ${termBefore}, {they} {has} gone ${way} ${steps} in ${doing}${andNow}` },
    {
      id: `told ${way} in`,
      text: `${count} ${thatHave} gone ${way} ${steps} since ${termBefore} ${are} ${doing}${theyNow}`,
    },
  ]
  return [
    ...bare,
    ...(facts.length === setting[way] ? counted(facts, { way, steps, doing, termBefore, theyNow }) : []),
    ...(isOneThing(together(facts)) ? asOneThing(first, { way, steps, termBefore, now, stands }) : []),
    ...byManner(facts, { way, steps, termBefore }),
  ]
}

interface Move {
  readonly way: 'up' | 'down'
  readonly steps: string
  readonly termBefore: string
}

/** "Two skills have gone up a step since the autumn: …": only where there are no more of them. */
function counted(
  facts: readonly RatedFact[],
  { way, steps, doing, termBefore, theyNow }: Move & { doing: string; theyNow: string },
): ToldWording[] {
  const have = facts.length === 1 ? 'skill has' : 'skills have'
  const count = capitalised(numberWord(facts.length))
  const text = `${count} ${have} gone ${way} ${steps} since ${termBefore}: ${doing}${theyNow}`
  return [{ id: `told ${way} counted`, text }]
}

function asOneThing(
  fact: RatedFact,
  { way, steps, termBefore, now, stands }: Move & { now: string | null; stands: 'still' | 'now' },
): ToldWording[] {
  const skill = capitalised(fact.words?.doing ?? '')
  const past = fact.before ? levelAsPast(fact.before, 1) : null
  const further = way === 'up' ? 'further on than' : 'further back than'
  return [
    ...(now === null
      ? []
      : [
          {
            id: `told ${way} as subject`,
            text: `${skill} is ${steps} ${further} in ${termBefore}: {they} ${stands} ${now}`,
          },
        ]),
    ...(now === null || past === null
      ? []
      : [
          {
            id: `told ${way} then and now`,
            text: `${skill} has gone ${way} ${steps}: {they} ${past} in ${termBefore}, and now ${now}`,
          },
        ]),
  ]
}

/** "Is now very good at reading aloud, a step up from the autumn"; "is still good at it, though a step down". */
function byManner(facts: readonly RatedFact[], { way, steps, termBefore }: Move): ToldWording[] {
  const [first] = facts
  if (!first) return []
  const words = together(facts)
  return mannersOf(first.level, words)
    .filter(({ place, id }) => place === 'before the skill' && !/not yet|learnt|start|begun|more to learn/.test(id))
    .map(({ id, text }, nth) => {
      const holds = way === 'down' && stillHolds(first.level.tier, id)
      const said = holds ? `${withNow(text(words), 'still')}, though` : `${withNow(text(words))},`
      const ways = waysPut({ way, steps, termBefore })
      return { id: `told ${way} now ${id}`, text: `${said} ${ways[nth % (holds ? 2 : ways.length)]}` }
    })
}

/** How far somebody came, put in turn with each manner: with all of them there would be too many to choose from. */
function waysPut({ way, steps, termBefore }: Move): string[] {
  return [
    `${steps} ${way} from ${termBefore}`,
    `${steps} ${way === 'up' ? 'on' : 'back'} from ${termBefore}`,
    `${way} ${steps} since ${termBefore}`,
  ]
}

/** What is true of a level is true of the one above it, but for what says that somebody is just there. */
function stillHolds(tier: Tier, manner: string): boolean {
  return tier === 'strong' || (tier === 'sound' && !/expect/.test(manner))
}
