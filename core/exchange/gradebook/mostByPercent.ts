import { roundHalfUp } from '../../marks/rounding'
import { numberIn } from './plainCells'

/** Two rows may agree by chance. */
const fewest = 3
/** What a share written in whole per cent may lie off by. */
const roundedBy = 0.5001

/**
 * What work is out of by the column that tells its scores in per cent; null where the two do not agree for everybody.
 * @param title the heading of the column that may be in per cent
 * @param pairs for each child the score and what stands in that column, as written
 * @example mostByPercent('Percent', [['8', '80'], ['7', '70'], ['4', '40']]) // 10
 */
export function mostByPercent(title: string, pairs: readonly (readonly [string, string])[]): number | null {
  const told = /%|\bper ?cent|\bproc?ent|\bprozent|\bpourcent|\bporcent/i
  if (!told.test(title) && !pairs.some(([, share]) => share.includes('%'))) return null
  const figures = pairs.flatMap(([written, told]) => {
    const [score, share] = [numberIn(written), numberIn(told)]
    return score === null || share === null ? [] : [{ score, share }]
  })
  const [highest] = [...figures].sort((one, other) => other.score - one.score)
  if (!highest || highest.share <= 0 || highest.score <= 0) return null
  if (new Set(figures.map(({ score }) => score)).size < fewest) return null
  const most = roundHalfUp((highest.score / highest.share) * 100)
  const fits = (outOf: number): boolean =>
    figures.every(({ score, share }) => Math.abs((score / outOf) * 100 - share) <= roundedBy)
  // Where its neighbours would do as well, the shares are too coarse to tell it.
  return fits(most) && !fits(most - 1) && !fits(most + 1) ? most : null
}
