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
