import type { ResultState } from '../../marks/work'

/** What a result of OneRoster says of itself, in its own words. */
export interface SaidOfResult {
  readonly scoreStatus: string
  readonly score: string
  readonly textScore: string
  readonly incomplete: string
  readonly late: string
  readonly missing: string
}

/**
 * The state and the score, as written, of a result; null where there is nothing to say. A score stands only where one
 * was reached.
 * @example resultSaid({ scoreStatus: 'late', score: '12', … }) // { state: 'late', written: '12' }
 */
export function resultSaid(said: SaidOfResult): { state: ResultState; written: string } | null {
  const status = said.scoreStatus.toLowerCase()
  if (status === 'exempt') return { state: 'excused', written: '' }
  if (isTrue(said.incomplete)) return { state: 'incomplete', written: '' }
  const written = said.score || said.textScore
  if (isTrue(said.missing) || (status === 'not submitted' && written === '')) return { state: 'missing', written: '' }
  if (written === '') return null
  return { state: isTrue(said.late) || status === 'late' ? 'late' : 'scored', written }
}

function isTrue(flag: string): boolean {
  return flag !== 'false' && flag !== '' && flag.toLowerCase() === 'true'
}
