import type { Level } from '../../scales/scale'
import type { Tier } from '../../scales/tier'
import type { SkillWords } from '../skillWords'

/**
 * A way to say that somebody does something at a tier, in the notation, of one skill or several joined. The tables are
 * ours; a manner with `says` is true only where the school's own level says those words.
 */
export interface Manner {
  readonly id: string
  /** What the level's own sentence must say; null where the tier alone bears it out. */
  readonly says: RegExp | null
  /** True where it follows the skill's own verb, and so needs a skill that ends plainly. */
  readonly atTheEnd: boolean
  readonly text: (words: SkillWords) => string
}

const withDo = (id: string, before: string, says: RegExp | null = null): Manner => ({
  ...{ id, says, atTheEnd: false },
  text: ({ do: base }) => `{They} ${before} ${base}`,
})
const withDoing = (id: string, before: string, says: RegExp | null = null): Manner => ({
  ...{ id, says, atTheEnd: false },
  text: ({ doing }) => `{They} ${before} ${doing}`,
})
const atTheEnd = (id: string, after: string, says: RegExp | null = null): Manner => ({
  ...{ id, says, atTheEnd: true },
  text: ({ does }) => `{They} ${does} ${after}`,
})

export const manners: Readonly<Record<Tier, readonly Manner[]>> = {
  top: [
    withDo('show others', 'can show others how to', /show (others|them) how/i),
    withDoing('very good at', '{is} very good at'),
    withDoing('very strong in', '{is} very strong in'),
    withDo('knows very well', '{knows} very well how to'),
    atTheEnd('very well', 'very well'),
    atTheEnd('very capably', 'very capably'),
    atTheEnd('highest level', 'at our highest level'),
  ],
  strong: [
    withDoing('good at', '{is} good at'),
    withDoing('strong in', '{is} strong in'),
    withDoing('confident in', '{is} confident in', /confiden/i),
    withDo('knows well', '{knows} well how to'),
    atTheEnd('with confidence', 'with confidence', /confiden/i),
    atTheEnd('well', 'well'),
    atTheEnd('capably', 'capably'),
    atTheEnd('with skill', 'with skill'),
  ],
  sound: [
    atTheEnd('as expected', 'as expected', /expect/i),
    withDo('can', 'can'),
    withDo('knows how', '{knows} how to'),
    withDoing('secure in', '{is} secure in'),
    atTheEnd('soundly', 'soundly'),
    withDoing('expected level', '{is} at the expected level in', /expect/i),
  ],
  growing: [
    withDo('learning', '{is} learning to'),
    withDoing('working towards', '{is} working towards'),
    withDo('not yet fully', '{does} not yet fully'),
    withDoing('part of the way', '{is} part of the way to'),
  ],
  starting: [
    withDoing('made a start', '{has} made a start on', /start/i),
    withDo('begun', '{has} begun to', /start|begun|beginning/i),
    withDo('beginning', '{is} beginning to', /start|begun|beginning/i),
    withDo('needs help', '{needs} help to', /help/i),
    withDoing('early stage', '{is} at an early stage in'),
    withDoing('first steps', '{is} taking first steps in'),
  ],
}

/** A skill with a clause or a manner of its own takes nothing behind it: "explains why a method works well" says else. */
export function endsPlainly({ does }: SkillWords): boolean {
  const verbs = does.match(/\{/g)?.length ?? 0
  const plain = does.replace(/[{}]/g, '')
  return (
    verbs <= 2 &&
    plain.split(/\s+/).length <= 8 &&
    !/\b(why|how|what|that|when|if|where|who|which|whether|before|after|with|as|by|in order|clearly|well)\b|\p{L}{3,}ly\b/u.test(
      plain,
    )
  )
}

/** The manners in which a level may be told of these words. */
export function mannersOf({ tier, familySentence, name }: Level, words: SkillWords): Manner[] {
  return manners[tier].filter(
    ({ says, atTheEnd: behind }) =>
      (says === null || says.test(`${familySentence} ${name}`)) && (!behind || endsPlainly(words)),
  )
}
