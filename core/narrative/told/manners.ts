import { capitalised } from '../capitals'
import type { Level } from '../../scales/scale'
import type { Tier } from '../../scales/tier'
import type { SkillWords } from '../skillWords'
import type { WordsTogether } from './toldWording'

/** Where a manner stands in its sentence. */
export type MannerPlace = 'before the skill' | 'after the skill' | 'skill as subject'

/**
 * A way to say that somebody does something at a tier, in the notation, of one skill or several joined. The tables are
 * ours; a manner with `says` is true only where the school's own level says those words.
 */
export interface Manner {
  readonly id: string
  /** What the level's own sentence must say; null where the tier alone bears it out. */
  readonly says: RegExp | null
  readonly place: MannerPlace
  readonly text: (words: SkillWords & Partial<WordsTogether>) => string
}

const confident = /confiden/i
const expected = /expect/i
const begun = /start|begun|beginning/i

function withDo(id: string, before: string, says: RegExp | null = null): Manner {
  return { id, says, place: 'before the skill', text: ({ do: base }) => `{They} ${before} ${base}` }
}

function withDoing(id: string, before: string, says: RegExp | null = null): Manner {
  return { id, says, place: 'before the skill', text: ({ doing }) => `{They} ${before} ${doing}` }
}

function atTheEnd(id: string, after: string, says: RegExp | null = null): Manner {
  return { id, says, place: 'after the skill', text: ({ does }) => `{They} ${does} ${after}` }
}

function asSubject(id: string, after: string, says: RegExp | null = null): Manner {
  return { id, says, place: 'skill as subject', text: ({ doing }) => `${capitalised(doing)} ${after}` }
}

function named(id: string, before: string, says: RegExp | null = null): Manner {
  return { id, says, place: 'skill as subject', text: ({ doing }) => `${before} ${doing}` }
}

export const manners: Readonly<Record<Tier, readonly Manner[]>> = {
  top: [
    withDo('show others', 'can show others how to', /show (others|them) how/i),
    withDoing('very good at', '{is} very good at'),
    withDoing('very strong in', '{is} very strong in'),
    withDo('knows very well', '{knows} very well how to'),
    withDoing('highest level in', '{is} at our highest level in'),
    withDoing('does very well at', '{does} very well at'),
    atTheEnd('very well', 'very well'),
    atTheEnd('very capably', 'very capably'),
    atTheEnd('high standard', 'to a very high standard'),
    atTheEnd('highest level', 'at our highest level'),
    asSubject('great strength', 'is a great strength of {theirs}'),
    named('a great strength is', 'One great strength is'),
    named('goes very well', 'What goes very well is'),
  ],
  strong: [
    withDoing('good at', '{is} good at'),
    withDoing('strong in', '{is} strong in'),
    withDoing('confident in', '{is} confident in', confident),
    withDo('knows well', '{knows} well how to'),
    withDoing('does well at', '{does} well at'),
    atTheEnd('with confidence', 'with confidence', confident),
    atTheEnd('confidently', 'confidently', confident),
    atTheEnd('well', 'well'),
    atTheEnd('capably', 'capably'),
    atTheEnd('with skill', 'with skill'),
    asSubject('strength', 'is a strength of {theirs}'),
    named('a strength is', 'One strength is'),
    asSubject('strong skill', 'is a strong skill of {theirs}'),
    named('goes well', 'What goes well is'),
  ],
  sound: [
    atTheEnd('as expected', 'as expected', expected),
    withDo('can', 'can'),
    withDo('knows how', '{knows} how to'),
    withDo('has learnt how', '{has} learnt how to'),
    withDoing('secure in', '{is} secure in'),
    withDoing('sound grasp', '{has} a sound grasp of'),
    withDoing('expected level', '{is} at the expected level in', expected),
    withDoing('where we expect', '{is} where we expect in', expected),
    atTheEnd('soundly', 'soundly'),
    atTheEnd('sound standard', 'to a sound standard'),
    asSubject('sound skill', 'is a sound skill of {theirs}'),
    asSubject('in place', 'is in place'),
  ],
  growing: [
    withDo('learning', '{is} learning to'),
    withDo('learning how', '{is} learning how to'),
    withDoing('working towards', '{is} working towards'),
    {
      id: 'not yet fully',
      says: null,
      place: 'before the skill',
      text: ({ do: base, doAny = base }) => `{They} {does} not yet fully ${doAny}`,
    },
    withDoing('part of the way', '{is} part of the way to'),
    withDoing('on the way', '{is} on the way to'),
    withDoing('not yet secure', '{is} not yet secure in'),
    withDoing('more to learn', '{has} more to learn in'),
    atTheEnd('in part or with help', 'in part, or with help', /in part,? or with help/i),
    asSubject('to work on', 'is a skill to work on'),
    asSubject('not yet in place', 'is not yet in place'),
    named('not yet in place is', 'Not yet in place is'),
  ],
  starting: [
    withDoing('made a start', '{has} made a start on', begun),
    withDoing('first start', '{has} made a first start on', begun),
    withDo('begun', '{has} begun to', begun),
    withDo('beginning', '{is} beginning to', begun),
    withDo('starting', '{is} starting to', begun),
    withDo('needs help', '{needs} help to', /help/i),
    withDoing('needs help with', '{needs} help with', /help/i),
    withDoing('early stage', '{is} at an early stage in'),
    withDoing('first steps', '{is} taking first steps in'),
    withDoing('at the beginning', '{is} at the beginning of'),
    asSubject('at an early stage', 'is at an early stage'),
    asSubject('just begun', 'is just beginning', begun),
  ],
}

/** A skill with a clause or a manner of its own takes nothing behind it: "explains why it works well" says else. */
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

/** "Retelling a story" is one thing and takes "is"; "drawing and reading graphs" may be two. */
export function isOneThing({ does }: SkillWords): boolean {
  return (does.match(/\{/g)?.length ?? 0) === 1 && !/,/.test(does)
}

/** The manners in which a level may be told of these words. */
export function mannersOf({ tier, familySentence, name }: Level, words: SkillWords): Manner[] {
  return manners[tier].filter(
    ({ says, place }) =>
      (says === null || says.test(`${familySentence} ${name}`)) &&
      (place !== 'after the skill' || endsPlainly(words)) &&
      (place !== 'skill as subject' || isOneThing(words)),
  )
}
