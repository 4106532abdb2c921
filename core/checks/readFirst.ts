import type { NarrativeFacts, RatedFact } from '../narrative/because'
import { littleKnownTold } from '../narrative/told/littleKnown'
import { narrativeFacts } from '../record/narrativeFacts'
import { isRedraftable } from '../record/redraftable'
import { directionOf } from '../scales/tier'
import type { Check } from './finding'
import { ofWhole } from './finding'

/**
 * A draft that nobody has touched yet, of a child about whom it is easily said wrongly: of whom little is known, who
 * has difficulties only, or who has fallen far. Somebody reads it before it counts.
 */
export const readFirst: Check = (input) => {
  const { index, student, box, comment, text } = input
  if (!comment || text.trim() === '' || !isRedraftable(comment)) return []
  const why = whyRead(narrativeFacts(index, student.id, box), box.subject)
  return why === null ? [] : [ofWhole('read it first', `${why} Read it as ${student.usedName}’s family will.`, input)]
}

/** So many levels down are no small step; ours. */
const farDown = 2

function whyRead(facts: NarrativeFacts, subject: string | null): string | null {
  const kind: RatedFact['kind'] = subject === null ? 'habit' : 'skill'
  const told = facts.rated.filter((fact) => fact.kind === kind)
  if (littleKnownTold(facts) !== null) return 'Little is known of this term.'
  if (told.length > 1 && told.every(({ level }) => directionOf(level.tier) === 'difficulty'))
    return 'All that was rated here is a difficulty.'
  const fell = told.find(({ moved, level }) => moved <= -farDown && directionOf(level.tier) === 'difficulty')
  return fell ? `There is a fall by two levels or more: ${fell.familyWords}.` : null
}
