import type { Level } from '../../scales/scale'
import { lowerFirst } from '../capitals'
import { alsoNouns, singularVerbs } from '../frame/verbWords'
import { numberWord } from './toldWording'

/**
 * What a level says, as a verb about so many skills; null where its sentence is none about what the child does now.
 * @example levelAsVerb({ familySentence: 'Does this with confidence.' }, 2) // '{does} both with confidence'
 */
export function levelAsVerb({ familySentence }: Pick<Level, 'familySentence'>, of: number): string | null {
  const plain = firstSentence(familySentence, of)
  const [first = ''] = plain.split(' ')
  if (first === 'can') return plain
  if (!singularVerbs.has(first)) return null
  return plain
    .replace(first, `{${first}}`)
    .replace(/ (and|or|but) (\p{L}+)\b/gu, (whole, link: string, word: string) =>
      singularVerbs.has(word) && (!alsoNouns.has(word) || hardlyNouns.test(word)) ? ` ${link} {${word}}` : whole,
    )
}

/**
 * The same of the term before; null also where it is not one of the two verbs whose past is known here, or where a
 * second verb would have to change with the first.
 * @example levelAsPast({ familySentence: 'Can show others how.' }, 1) // 'could show others how'
 */
export function levelAsPast(level: Pick<Level, 'familySentence'>, of: number): string | null {
  const now = levelAsVerb(level, of)
  if (now === null || (now.match(/\{/g)?.length ?? 0) > 1 || / (and|or|but) can\b/.test(now)) return null
  if (now.startsWith('{does}')) return `did${now.slice(6)}`
  return now.startsWith('can ') ? `could${now.slice(3)}` : null
}

/** Verbs in what levels say, though they may be nouns elsewhere. */
const hardlyNouns = /^(needs|shows|helps|works|uses)$/

function firstSentence(familySentence: string, of: number): string {
  const [sentence = ''] = familySentence.split(/(?<=[.!?])\s/)
  const these = of === 1 ? 'this' : of === 2 ? 'both' : `all ${numberWord(of)}`
  return lowerFirst(sentence.replace(/[.!?]$/, '')).replace(/\bthis\b(?! (?:age|grade|year))/, these)
}
