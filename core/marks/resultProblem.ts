import type { ResultState } from './work'

/** What a result says, apart from whose and of what it is. */
export interface GivenResult {
  readonly state: ResultState
  readonly score: number | null
}

/** States that leave a score open: it may be there or not. */
const mayHaveScore: ReadonlySet<ResultState> = new Set<ResultState>(['late', 'incomplete'])

/**
 * What is wrong with a result of a piece of work, in words for who gave it; null where nothing is.
 * @example resultProblem({ state: 'scored', score: 21 }, 20) // '21 is more than the 20 that can be reached.'
 */
export function resultProblem({ state, score }: GivenResult, outOf: number): string | null {
  if (score === null) return state === 'scored' ? 'A score needs a number.' : null
  if (state !== 'scored' && !mayHaveScore.has(state)) return `What is ${state} has no score.`
  if (score < 0) return `${score} is below zero.`
  return score > outOf ? `${score} is more than the ${outOf} that can be reached.` : null
}
