import { capitalised } from '../capitals'
import type { Because, NarrativeFacts } from '../because'
import { numberWord } from './toldWording'
import type { ToldFact } from './wholeTold'

/** From this share of the days on, being away is what a family must read first; ours. */
const longAway = 0.25

/**
 * That little is known of a child, and why, where the record says why: long absence, or few of the skills looked at.
 * Null where enough is known.
 */
export function littleKnownTold(facts: NarrativeFacts): ToldFact | null {
  const { attendance } = facts.counts
  const days = facts.sayable.attendance
  const subject = facts.sayable.subject?.text ?? null
  const isAway = attendance !== null && attendance.absences / attendance.daysOpen >= longAway
  const rated = facts.rated.filter(({ kind }) => kind === 'skill').length
  const isFew = subject !== null && rated > 0 && facts.skillsInAll > 2 && rated * 2 <= facts.skillsInAll
  const away = isAway && days ? days.text : null
  if (away === null && !isFew) return null
  const where = subject === null ? '' : ` in ${subject}`
  const have = rated === 1 ? 'has' : 'have'
  const looked = `${numberWord(rated)} of the ${numberWord(facts.skillsInAll)} skills${where}`
  const because = [...(away === null ? [] : [days?.because ?? []].flat()), ...(isFew ? [lookedAt(facts)] : [])]
  if (away !== null && isFew)
    return {
      because,
      wordings: [
        { id: 'told away and few', text: `{They} {was} here on ${away} this term, and we looked at ${looked}` },
        { id: 'told few and away', text: `We looked at ${looked} this term; {they} {was} here on ${away}` },
        { id: 'told at school and few', text: `{They} {was} at school on ${away}, and we looked at ${looked}` },
        { id: 'told on away', text: `On the ${away} when {they} {was} here, we looked at ${looked}` },
        { id: 'told known so far', text: `So far ${looked} ${have} been looked at; {they} {was} here on ${away}` },
        { id: 'told came on', text: `{They} came to school on ${away} this term; ${looked} ${have} been looked at` },
        { id: 'told with days', text: `With {them} here on ${away}, we looked at ${looked}` },
        {
          id: 'told of days and few',
          text: `Of the term, {they} {was} at school on ${away}, and we looked at ${looked}`,
        },
      ],
    }
  if (away !== null)
    return {
      because,
      wordings: [
        { id: 'told away', text: `{They} {was} here on ${away} this term` },
        { id: 'told away this term', text: `This term {they} {was} at school on ${away}` },
        { id: 'told came', text: `{They} came to school on ${away} this term` },
        { id: 'told of the term', text: `Of the term, {they} {was} at school on ${away}` },
        { id: 'told with us', text: `{They} {was} with us on ${away} this term` },
        { id: 'told of the days', text: `On ${away} this term, {they} {was} at school` },
      ],
    }
  return {
    because,
    wordings: [
      { id: 'told few', text: `We looked at ${looked} with {them} this term` },
      { id: 'told few this term', text: `This term we looked at ${looked} with {them}` },
      { id: 'told few levels', text: `{They} {has} a level in ${looked} so far` },
      { id: 'told few so far', text: `${capitalised(looked)} ${have} been looked at with {them} so far` },
    ],
  }
}

/** How many of a subject's skills have a level: what "we looked at two of the six" rests on. */
export function lookedAt({ rated, skillsInAll, termId }: NarrativeFacts): Because {
  const count = rated.filter(({ kind }) => kind === 'skill').length
  const text = `Skills with a level: ${count} of ${skillsInAll}`
  return { kind: 'skill level', about: 'skills looked at', text, tier: null, termId }
}
