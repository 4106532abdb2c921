import { roundHalfUp } from '../../marks/rounding'
import type { BundleRow } from './readBundle'

/** What each word of a scale comes to, as a share of the scale's highest; the words in small letters. */
export type ScoreScale = ReadonlyMap<string, number>

/**
 * The scale of a piece of work, by the work's name in the bundle. The standard (1.2, from memory) gives a scale as
 * pairs of what is written and what it is worth, "{A:95},{B:85}"; a range ("90-100") is worth its middle.
 */
export function scalesOfWork({
  scoreScales,
  lineItemScoreScales,
}: {
  readonly scoreScales: readonly BundleRow[]
  readonly lineItemScoreScales: readonly BundleRow[]
}): ReadonlyMap<string, ScoreScale> {
  const scales = new Map(scoreScales.map((row) => [row('sourcedId'), readScale(row('scoreScaleValue'))]))
  return new Map(
    lineItemScoreScales.flatMap((row) => {
      const scale = scales.get(row('scoreScaleSourcedId'))
      return scale && scale.size > 0 ? [[row('lineItemSourcedId'), scale] as const] : []
    }),
  )
}

/** @example readScale('{A:90-100},{B:80-89}') // A → 1, B → 0.889… */
export function readScale(written: string): ScoreScale {
  const pairs = written.split(',').flatMap((pair) => {
    const [, word, from, to] =
      /^\s*\{?\s*"?([^:="{}]+?)"?\s*[:=]\s*"?(\d+(?:\.\d+)?)(?:\s*-\s*(\d+(?:\.\d+)?))?"?\s*\}?\s*$/.exec(pair) ?? []
    if (word === undefined || from === undefined) return []
    return [[word.toLowerCase(), (Number(from) + Number(to ?? from)) / 2] as const]
  })
  const most = Math.max(0, ...pairs.map(([, worth]) => worth))
  return most === 0 ? new Map() : new Map(pairs.map(([word, worth]) => [word, worth / most]))
}

/**
 * A score as written, in points where it is a word of the scale of its work.
 * @example inPoints('b', readScale('{A:4},{B:3}'), 20) // '15'
 */
export function inPoints(written: string, scale: ScoreScale | undefined, outOf: number): string {
  const share = scale?.get(written.toLowerCase())
  return share === undefined ? written : String(roundHalfUp(share * outOf, 2))
}
