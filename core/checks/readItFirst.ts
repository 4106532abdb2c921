import type { NarrativeFacts, RatedFact } from '../narrative/because'
import { littleKnownTold } from '../narrative/told/littleKnown'
import { narrativeFacts } from '../record/narrativeFacts'
import { isRedraftable } from '../record/redraftable'
import { directionOf } from '../scales/tier'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole } from './finding'

/**
 * A draft that nobody has touched yet, of a child about whom it is easily said wrongly: of whom little is known, who
 * has difficulties only, or who has fallen far. Somebody reads it before it counts.
 */
export const readItFirst: Check = (input) => {
  const { index, student, box, comment, text } = input
  if (!comment || text.trim() === '' || !isRedraftable(comment)) return []
  const why = whyRead(narrativeFacts(index, student.id, box), box.subject, student.usedName)
  return why === null ? [] : [ofWhole('read it first', why, input)]
}

/** So many levels down are no small step; ours. */
const farDown = 2

function whyRead(facts: NarrativeFacts, subject: string | null, name: string): string | null {
  const because = explanations['read it first']
  const kind: RatedFact['kind'] = subject === null ? 'habit' : 'skill'
  const told = facts.rated.filter((fact) => fact.kind === kind)
  if (littleKnownTold(facts) !== null) return because.littleKnown(name)
  if (told.length > 1 && told.every(({ level }) => directionOf(level.tier) === 'difficulty'))
    return because.difficulties(name)
  const fell = told.find(({ moved, level }) => moved <= -farDown && directionOf(level.tier) === 'difficulty')
  return fell ? because.fall(name, fell.familyWords) : null
}
