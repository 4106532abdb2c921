import type { GivenResult } from './resultProblem'
import type { ResultState } from './work'

/** What stands in a cell for a result that is no plain score; readScore reads it again. */
const shortStates: Readonly<Record<Exclude<ResultState, 'scored'>, string>> = {
  missing: 'm',
  late: 'l',
  excused: 'ex',
  incomplete: 'inc',
}

/**
 * A result as it stands in a cell, and as it can be typed.
 * @example resultText({ state: 'late', score: 12 }) // 'l 12'
 */
export function resultText({ state, score }: GivenResult): string {
  const figures = score === null ? '' : String(score)
  return state === 'scored' ? figures : [shortStates[state], figures].filter(Boolean).join(' ')
}

/**
 * A result in words, for who cannot see the cell.
 * @example spokenResult({ state: 'late', score: 12 }, 20) // '12 of 20, late'
 */
export function spokenResult({ state, score }: GivenResult, outOf: number): string {
  const figures = score === null ? '' : `${score} of ${outOf}`
  return state === 'scored' ? figures : [figures, state].filter(Boolean).join(', ')
}
