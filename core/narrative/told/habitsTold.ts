import { capitalised } from '../capitals'
import { groupBy } from '../../groupBy'
import type { RatedFact } from '../because'
import type { SkillWords } from '../skillWords'
import { isOneThing, mannersOf } from './manners'
import { anyOf, stepsOf, together, type ToldSetting, type ToldWording } from './toldWording'

/**
 * Habits by their scores: those at one score in one clause, two scores in one sentence, each with its own word; one
 * that has moved by itself.
 */
export function habitsTold(facts: readonly RatedFact[], setting: ToldSetting): ToldWording[] {
  const [first, second] = [...groupBy(facts, ({ level }) => level.tier).values()].flatMap(clauseOf)
  if (!first) return []
  return second ? inTwo(first, second) : inOne(first, setting)
}

interface Clause {
  /** "often"; null for a score that does not say how often. */
  readonly often: string | null
  readonly words: SkillWords
  /** The same where it is said that none of it is done often. */
  readonly any: SkillWords
  readonly first: RatedFact
  readonly of: number
}

function clauseOf(alike: readonly RatedFact[]): Clause[] {
  const [first] = alike
  if (!first) return []
  const [often, any] = [howOften(first), anyOf(alike)]
  const words = often !== null && isSeldom(often) ? any : together(alike)
  return [{ often, words, any, first, of: alike.length }]
}

function inOne(clause: Clause, { termBefore }: ToldSetting): ToldWording[] {
  const { often, words, first, of } = clause
  if (first.moved !== 0 && termBefore !== null) return hasMoved(clause, termBefore)
  if (often === null)
    return mannersOf(first.level, words).map(({ id, text }) => ({ id: `told ${id}`, text: text(words) }))
  return [
    { id: `told ${often}`, text: `{They} ${often} ${words.does}` },
    // "Seldom does she": the verb would come first.
    ...(isSeldom(often)
      ? [{ id: `told ${often} it is`, text: `It is ${often} that {they} ${words.does}` }]
      : [
          { id: `told ${often} fronted`, text: `${capitalised(often)} {they} ${words.does}` },
          ...countedOn(often, words.do),
          { id: `told ${often} seen`, text: `We ${often} see {them} ${words.doing}` },
          { id: `told ${often} seen do`, text: `We ${often} see {them} ${words.do}` },
          { id: `told is ${often} seen`, text: `{They} {is} ${often} seen ${words.doing}` },
          ...(of > 1
            ? [
                { id: `told of habits ${often}`, text: `Of {their} habits, ${words.doing} are seen ${often}` },
                {
                  id: `told ${often} things`,
                  text: `${capitalised(words.doing)} ${thing(of)} that {they} ${often} {does}`,
                },
              ]
            : []),
        ]),
    ...(of === 1 && isOneThing(words)
      ? [
          {
            id: `told ${often} as subject`,
            text: `${capitalised(words.doing)} ${thing(of)} that {they} ${often} {does}`,
          },
        ]
      : []),
  ]
}

/** "Now often comes ready for the lesson, a step up from the autumn." */
function hasMoved({ often, words, first }: Clause, termBefore: string): ToldWording[] {
  const way = first.moved > 0 ? 'up' : 'down'
  const step = `${stepsOf(first.moved)} ${way} from ${termBefore}`
  if (often === null)
    return mannersOf(first.level, words)
      .filter(({ place }) => place === 'before the skill')
      .map(({ id, text }) => ({ id: `told ${id} ${way}`, text: `${text(words)}, ${step}` }))
  return [
    { id: `told now ${often} ${way}`, text: `{They} now ${often} ${words.does}, ${step}` },
    { id: `told ${often} this term ${way}`, text: `This term {they} ${often} ${words.does}, ${step}` },
    {
      id: `told gone ${way} ${often}`,
      text: `Since ${termBefore} {they} {has} gone ${way} ${stepsOf(first.moved)}: {they} ${often} ${words.does}`,
    },
  ]
}

function inTwo(high: Clause, low: Clause): ToldWording[] {
  if (high.often === null || low.often === null) return []
  const [one, other] = [`${high.often} ${high.words.does}`, `${low.often} ${low.words.does}`]
  const contrast = isSeldom(low.often) || /sometimes|occasionally/.test(low.often)
  const link = contrast ? 'but' : 'and'
  const less = contrast && !isSeldom(low.often) ? `only ${low.often}` : low.often
  // After "but only sometimes" an "and" would go on with what came before it.
  const against = contrast ? low.any : low.words
  const areSeen = `${high.of === 1 ? 'is' : 'are'} seen ${high.often}`
  const asSubject = `${capitalised(high.words.doing)} ${thing(high.of)}`
  return [
    { id: `told ${high.often} ${link} ${low.often}`, text: `{They} ${one}, ${link} ${less} ${against.does}` },
    { id: `told ${high.often}; ${low.often}`, text: `{They} ${one}; {they} ${other}` },
    ...(isSeldom(high.often)
      ? []
      : [
          {
            id: `told ${high.often} fronted ${link} ${low.often}`,
            text: `${capitalised(high.often)} {they} ${high.words.does}, ${link} {they} ${less} ${against.does}`,
          },
          ...countedOn(high.often, `${high.words.do}, ${link} ${less} to ${against.do}`),
        ]),
    ...(!isSeldom(high.often) && !isSeldom(low.often)
      ? [
          {
            id: `told ${high.often} seen and ${low.often}`,
            text: `We ${high.often} see {them} ${high.words.doing}, and ${low.often} ${low.words.doing}`,
          },
          {
            id: `told ${high.often} seen do and ${low.often}`,
            text: `We ${high.often} see {them} ${high.words.do}, and ${low.often} ${low.words.do}`,
          },
          {
            id: `told is ${high.often} seen and ${low.often}`,
            text: `{They} {is} ${high.often} seen ${high.words.doing}, and ${low.often} ${low.words.doing}`,
          },
        ]
      : []),
    // Two that end with how often would not be told apart.
    ...(low.of === 1 && !isSeldom(high.often) && !isSeldom(low.often)
      ? [
          {
            id: `told of habits ${high.often} and ${low.often}`,
            text: `Of {their} habits, ${high.words.doing} ${areSeen}, and ${low.words.doing} ${low.often}`,
          },
        ]
      : []),
    ...(isSeldom(high.often) || isSeldom(low.often)
      ? []
      : [
          ...(high.of > 1 || isOneThing(high.words)
            ? [
                {
                  id: `told ${high.often} as subject; ${low.often}`,
                  text: `${asSubject} that {they} ${high.often} {does}; ${low.often} {they} ${low.words.does}`,
                },
              ]
            : []),
          {
            id: `told ${high.often} fronted; ${low.often} fronted`,
            text: `${capitalised(high.often)} {they} ${high.words.does}; ${low.often} {they} ${low.words.does}`,
          },
        ]),
  ]
}

function thing(of: number): string {
  return of === 1 ? 'is something' : 'are things'
}

/** What happens more often than not can be counted on. */
function countedOn(often: string, what: string): ToldWording[] {
  return /^(sometimes|occasionally|seldom|rarely)$/.test(often)
    ? []
    : [
        { id: `told ${often} counted on`, text: `{They} can ${often} be counted on to ${what}` },
        { id: `told ${often} we count on`, text: `We can ${often} count on {them} to ${what}` },
      ]
}

function isSeldom(often: string): boolean {
  return /^(seldom|rarely)$/.test(often)
}

/** A score that says how often, as an adverb; null for one that does not. */
export function howOften({ kind, level }: RatedFact): string | null {
  const name = level.name.trim().toLowerCase()
  return kind === 'habit' &&
    /^(nearly always|almost always|always|usually|often|mostly|sometimes|occasionally|seldom|rarely)$/.test(name)
    ? name
    : null
}
