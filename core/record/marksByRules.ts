import { rulesOfSubject, type MarkRules, type SchoolMarkRules } from '../marks/markRules'
import { roundHalfUp } from '../marks/rounding'
import { markLevel } from '../marks/settledMark'
import { termMark } from '../marks/termMark'
import type { RecordIndex } from './recordIndex'
import { subjectsTaken } from './takers'

/** How many marks a class would be proposed, and how many of them would be others under other rules. */
export interface RulesEffect {
  readonly marks: number
  readonly others: number
}

/**
 * What other rules would do to a class's proposals: a mark is another where its percentage as shown or its level is.
 * What is settled stays as it is. O(results of the class).
 * @example marksByRules(index, { ...usualMarkRules, missing: 'is left out' }) // { marks: 168, others: 3 }
 */
export function marksByRules(index: RecordIndex, rules: SchoolMarkRules): RulesEffect {
  const { students } = index.record
  const shown = (studentId: string, subject: string, by: MarkRules): string | null => {
    const results = index.resultsOf(studentId, subject)
    const scale = index.markScaleOf(subject)
    const { percent } = termMark(index.workOf(subject), results, index.categoriesOf(subject), { ...by, scale })
    if (percent === null) return null
    return `${roundHalfUp(percent, by.decimals)} ${scale ? markLevel(percent, scale, by)?.symbol : ''}`
  }
  const pairs = students.flatMap(({ id }) =>
    subjectsTaken(index, id).map(
      ({ key }) => [shown(id, key, index.rulesOf(key)), shown(id, key, rulesOfSubject(rules, key))] as const,
    ),
  )
  return {
    marks: pairs.filter(([before, after]) => (before ?? after) !== null).length,
    others: pairs.filter(([before, after]) => before !== after).length,
  }
}
