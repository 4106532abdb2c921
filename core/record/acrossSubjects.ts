import { passLineOf } from '../marks/markRules'
import { roundHalfUp } from '../marks/rounding'
import type { RecordIndex } from './recordIndex'
import { subjectsTaken } from './takers'
import { proposedPercent } from './yearSoFar'

/** A student's mark in one subject, settled or proposed. */
export interface SubjectMark {
  readonly subject: string
  readonly percent: number
  readonly isSettled: boolean
  /** As it is shown, it reaches the subject's pass line. */
  readonly passes: boolean
}

export interface AcrossSubjects {
  readonly marks: readonly SubjectMark[]
  /** Of the marks as they are shown, as people add them up; null where there is none. */
  readonly total: number
  readonly average: number | null
  /** How many of the marks are only proposed. */
  readonly proposed: number
}

/**
 * A student's marks across the subjects, with their total and average. A special value has no percentage and is left
 * out, as is a subject without a mark. O(the student's results).
 * @example acrossSubjects(index, 'maya').average // 74.25, of eight subjects that total 594
 */
export function acrossSubjects(index: RecordIndex, studentId: string): AcrossSubjects {
  const marks = subjectsTaken(index, studentId).flatMap(({ key }): SubjectMark[] => {
    const settled = index.markOf(studentId, key)
    const percent = settled ? settled.percent : proposedPercent(index, studentId, key)
    if (percent === null) return []
    const rules = index.rulesOf(key)
    const shown = roundHalfUp(percent, rules.decimals)
    const passes = shown >= passLineOf(rules).percent
    return [{ subject: key, percent: shown, isSettled: settled !== undefined, passes }]
  })
  const total = marks.reduce((sum, { percent }) => sum + percent, 0)
  return {
    marks,
    total: roundHalfUp(total, 3),
    average: marks.length === 0 ? null : total / marks.length,
    proposed: marks.filter(({ isSettled }) => !isSettled).length,
  }
}
