import type { RatedFact } from '../because'
import { mannersOf, type Manner } from './manners'
import { stepsOf, type ToldSetting, type ToldWording } from './toldWording'

/** With so many manners of the second skill each manner of the first is joined: all with all would be hundreds. */
const mostSeconds = 3

/**
 * Two skills at two levels that point the same way, each with its manner: both as in the term before where both stood
 * so, or both moved by so much since.
 */
export function atTwoLevels(high: RatedFact, low: RatedFact, setting: ToldSetting): ToldWording[] {
  const { termBefore } = setting
  const joined = joinedManners(high, low)
  if (high.moved !== 0) return termBefore === null ? [] : joined.flatMap((each) => asMoved(each, high, setting))
  const stood = [high, low].every(({ level, before }) => before?.tier === level.tier)
  const plain = joined.map(({ id, first, second }) => ({ id: `told ${id}`, text: `${first}, and ${second}` }))
  if (!stood || termBefore === null) return plain
  return [
    ...plain,
    ...plain.map(({ id, text }) => ({ id: `${id}, as before`, text: `${text}, both as in ${termBefore}` })),
  ]
}

interface Joined {
  /** "good at, and can" */
  readonly id: string
  readonly first: string
  /** Without its subject. */
  readonly second: string
}

function joinedManners(high: RatedFact, low: RatedFact): Joined[] {
  const [one, other] = [high.words, low.words]
  if (!one || !other) return []
  const firsts = mannersOf(high.level, one).filter(hasStudent)
  const seconds = mannersOf(low.level, other).filter(hasStudent)
  return firsts.flatMap((first, at) => {
    const some = Array.from({ length: mostSeconds }, (_, nth) => seconds[(at + nth * 5) % seconds.length])
    return [...new Set(some)].flatMap((second): Joined[] =>
      second === undefined
        ? []
        : [
            {
              id: `${first.id}, and ${second.id}`,
              first: first.text(one),
              second: second.text(other).replace(/^\{They\} /, ''),
            },
          ],
    )
  })
}

function hasStudent({ place }: Manner): boolean {
  return place !== 'skill as subject'
}

/** "Is now good at reading aloud and can retell a story, each a step up from the autumn." */
function asMoved(
  { id, first, second }: Joined,
  { moved }: RatedFact,
  { termBefore, up, down }: ToldSetting,
): ToldWording[] {
  const way = moved > 0 ? 'up' : 'down'
  const now = withNow(first)
  const each = {
    id: `told ${way} now ${id}`,
    text: `${now}, and ${second}, each ${stepsOf(moved)} ${way} from ${termBefore}`,
  }
  if ((moved > 0 ? up : down) !== 2) return [each]
  const rest = `${now.replace(/^\{They\}/, '{they}')}, and ${second}`
  const text = `Two skills have gone ${way} ${stepsOf(moved)} since ${termBefore}: ${rest}`
  return [each, { id: `told ${way} counted, ${id}`, text }]
}

/**
 * A manner with "now", or "still", where it belongs.
 * @example withNow('{They} {is} good at reading') // '{They} {is} now good at reading'; "now reads well"
 */
export function withNow(said: string, now: 'now' | 'still' = 'now'): string {
  return /^\{They\} (\{is\}|can) /.test(said)
    ? said.replace(/^\{They\} (\S+) /, `{They} $1 ${now} `)
    : said.replace(/^\{They\} /, `{They} ${now} `)
}
