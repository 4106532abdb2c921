import { lowerFirst } from '../capitals'
import type { RatedFact } from '../because'
import { isOneThing, mannersOf } from './manners'
import { numberWord, type ToldSetting, type ToldWording } from './toldWording'

/** A strength and a difficulty in one sentence. */
export function contrasted(
  high: RatedFact,
  low: RatedFact,
  { rated, of, low: difficulties }: ToldSetting,
): ToldWording[] {
  const [strong, weak] = [high.words, low.words]
  if (!strong || !weak) return []
  const highManners = mannersOf(high.level, strong).filter(({ place }) => place !== 'skill as subject')
  const lowManners = mannersOf(low.level, weak).filter(({ place }) => place === 'before the skill')
  const looked = rated === of ? `Of the ${numberWord(of)} skills` : `Of the ${numberWord(rated)} skills we looked at`
  return [
    ...highManners.flatMap((manner) => {
      const said = manner.text(strong)
      return [
        ...lowManners.map((each) => ({
          id: `told ${manner.id}, but ${each.id}`,
          text: `${said}, but ${each.text(weak).replace(/^\{They\} /, '')}`,
        })),
        ...lowManners.map((each) => ({
          id: `told who ${manner.id}, ${each.id}`,
          text: `{Name}, who ${said.replace(/^\{They\} /, '')}, ${each.text(weak).replace(/^\{They\} /, '')}`,
        })),
        ...(isOneThing(weak) && low.level.tier === 'growing'
          ? [{ id: `told ${manner.id}, while`, text: `${said}, while ${weak.doing} is not yet in place` }]
          : []),
      ]
    }),
    ...(rated > 2 && difficulties === 1 && low.level.tier === 'growing'
      ? highManners.map((manner) => ({
          id: `told ${manner.id}, only one`,
          text: `${manner.text(strong)}; ${lowerFirst(looked)}, only one is not yet in place: ${weak.doing}`,
        }))
      : []),
  ]
}
