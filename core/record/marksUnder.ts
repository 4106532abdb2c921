import { roundHalfUp } from '../marks/rounding'
import { termMark } from '../marks/termMark'
import type { Category, PieceOfWork } from '../marks/work'
import type { RecordIndex } from './recordIndex'
import { takersOf } from './takers'

/** One student's proposed mark as it is and as it would be; percentages as they are shown. */
export interface ChangedMark {
  readonly studentId: string
  readonly before: number | null
  readonly after: number | null
}

/**
 * Whose proposed marks would be others under other categories, or with other pieces of work, in the order of the class
 * list. What is settled stays as it is. O(results of the subject).
 * @example marksUnder(index, 'maths', [{ key: 'quiz', name: 'Quizzes', weight: 1, isExam: false }])
 * // [{ studentId: 'maya', before: 82, after: 70 }]
 */
export function marksUnder(
  index: RecordIndex,
  subject: string,
  categories: readonly Category[],
  work: readonly PieceOfWork[] = index.workOf(subject),
): ChangedMark[] {
  const students = takersOf(index.record.students, subject)
  const rules = { ...index.rulesOf(subject), scale: index.markScaleOf(subject) }
  return students.flatMap(({ id }) => {
    const results = index.resultsOf(id, subject)
    const markWith = (pieces: readonly PieceOfWork[], list: readonly Category[]): number | null => {
      const ids = new Set(pieces.map((piece) => piece.id))
      const own = results.filter((result) => ids.has(result.workId))
      const { percent } = termMark(pieces, own, list, rules)
      return percent === null ? null : roundHalfUp(percent, rules.decimals)
    }
    const before = markWith(index.workOf(subject), index.categoriesOf(subject))
    const after = markWith(work, categories)
    return before === after ? [] : [{ studentId: id, before, after }]
  })
}
