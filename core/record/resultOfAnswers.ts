import { groupBy } from '../groupBy'
import type { ResultCell } from './resultPlaces'
import type { StudentResult } from './termRecord'

type Result = Omit<StudentResult, 'workId' | 'studentId'>

/**
 * The result of a piece of work once a child's answers have changed. Where there is none yet, or it was the sum of the
 * answers, it is their sum from now on; one that somebody gave apart from them stays. Questions that do not add up to
 * what the work is out of say nothing of its result.
 * @param before the sum of the answers as they were, after as they are; null for none
 * @returns undefined where the result stays as it is; null where there shall be none
 * @example
 * resultOfAnswers({ before: null, after: 17, whole: 20 }, 20, null) // { state: 'scored', score: 17, remark: '' }
 */
export function resultOfAnswers(
  { before, after, whole }: { before: number | null; after: number | null; whole: number },
  outOf: number,
  result: Result | null,
): Result | null | undefined {
  if (Math.abs(whole - outOf) > 1e-9 || before === after) return undefined
  const followed = result === null ? before === null : result.state === 'scored' && result.score === before
  if (!followed) return undefined
  if (after !== null) return { remark: '', ...result, state: 'scored', score: after }
  return result?.remark ? undefined : null
}

/** Where a result belongs. */
export interface ResultPlace {
  readonly workId: string
  readonly studentId: string
}

/** What is asked to know which results follow their answers. */
export interface AnswersChanged<Place extends ResultPlace> {
  /** What a piece of work is out of; undefined where it is not there. */
  readonly outOfWork: (workId: string) => number | undefined
  readonly outOfQuestions: (workId: string) => number
  /** The sums of a child's answers before and after the change. */
  readonly sums: (place: Place) => { before: number | null; after: number | null }
  readonly result: (place: Place) => Result | null
}

/** The results that follow once answers have changed. */
export function resultsThatFollow<Place extends ResultPlace>(
  places: readonly Place[],
  { outOfWork, outOfQuestions, sums, result }: AnswersChanged<Place>,
): ResultCell[] {
  return [...groupBy(places, ({ workId, studentId }) => `${workId} ${studentId}`).values()].flatMap(([place]) => {
    const outOf = place && outOfWork(place.workId)
    if (!place || outOf === undefined) return []
    const { workId, studentId } = place
    const standing = result(place)
    const was = standing && { state: standing.state, score: standing.score, remark: standing.remark }
    const after = resultOfAnswers({ ...sums(place), whole: outOfQuestions(workId) }, outOf, was)
    return after === undefined ? [] : [{ workId, studentId, result: after }]
  })
}
