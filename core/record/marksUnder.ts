import { roundHalfUp } from '../marks/rounding'
import { termMark } from '../marks/termMark'
import type { Category } from '../marks/work'
import type { RecordIndex } from './recordIndex'

/** One student's proposed mark as it is and as it would be; percentages as they are shown. */
export interface ChangedMark {
  readonly studentId: string
  readonly before: number | null
  readonly after: number | null
}

/**
 * Whose proposed marks would be others under other categories, in the order of the class list. What is settled stays
 * as it is. O(results of the subject).
 * @example marksUnder(index, 'maths', [{ key: 'quiz', name: 'Quizzes', weight: 1 }])
 * // [{ studentId: 'maya', before: 82, after: 70 }]
 */
export function marksUnder(index: RecordIndex, subject: string, categories: readonly Category[]): ChangedMark[] {
  const { students, school } = index.record
  const rules = school.markRules
  const work = index.workOf(subject)
  return students.flatMap(({ id }) => {
    const results = index.resultsOf(id, subject)
    const markWith = (list: readonly Category[]): number | null => {
      const { percent } = termMark(work, results, list, rules)
      return percent === null ? null : roundHalfUp(percent, rules.decimals)
    }
    const [before, after] = [markWith(index.categoriesOf(subject)), markWith(categories)]
    return before === after ? [] : [{ studentId: id, before, after }]
  })
}
