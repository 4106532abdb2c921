import type { RatedFact } from '../because'
import type { Tier } from '../../scales/tier'
import { numberWord, type ToldSetting, type ToldWording } from './toldWording'

interface OfAll {
  readonly id: string
  /** What the level's own sentence must say; null where the tier alone bears it out. */
  readonly says: RegExp | null
  readonly they: string
  /** The same with the skills as subject; null where it would not read. */
  readonly skillsAre: string | null
}

const ofAll: Readonly<Record<Tier, readonly OfAll[]>> = {
  top: [
    { id: 'show others how', says: /show others/i, they: '{they} can show others how it is done', skillsAre: null },
    { id: 'very strong', says: null, they: '{they} {is} very strong', skillsAre: 'great strengths of {theirs}' },
    { id: 'highest level', says: null, they: '{they} {is} at our highest level', skillsAre: 'at our highest level' },
  ],
  strong: [
    { id: 'confident', says: /confiden/i, they: '{they} {is} confident', skillsAre: null },
    { id: 'strong', says: null, they: '{they} {is} strong', skillsAre: 'strengths of {theirs}' },
    { id: 'does well', says: null, they: '{they} {does} well', skillsAre: null },
  ],
  sound: [
    { id: 'as expected', says: /expect/i, they: '{they} {is} where we expect', skillsAre: 'at the expected level' },
    { id: 'secure', says: null, they: '{they} {is} secure', skillsAre: 'secure' },
  ],
  growing: [
    { id: 'with help', says: /with help/i, they: '{they} {is} part of the way, or {works} with help', skillsAre: null },
    { id: 'under way', says: null, they: '{they} {is} part of the way', skillsAre: 'not yet in place' },
  ],
  starting: [
    { id: 'a start', says: /start/i, they: '{they} {has} made a start', skillsAre: null },
    { id: 'early stage', says: null, they: '{they} {is} at an early stage', skillsAre: 'at an early stage' },
  ],
}

/** Everything that was looked at in a subject stands at one level, and is said at once. */
export function allAtOneLevel(facts: readonly RatedFact[], { subject, of }: ToldSetting): ToldWording[] {
  const [first] = facts
  if (!first || subject === null) return []
  const { tier, familySentence } = first.level
  const which = `all ${numberWord(facts.length)} skills${facts.length === of ? '' : ' that we looked at'} in ${subject}`
  return ofAll[tier]
    .filter(({ says }) => says === null || says.test(familySentence))
    .flatMap(({ id, they, skillsAre }) => [
      { id: `told all ${id}`, text: `In ${which}, ${they}` },
      ...(skillsAre === null
        ? []
        : [{ id: `told all skills ${id}`, text: `${which.replace(/^all/, 'All')} are ${skillsAre}` }]),
    ])
}
