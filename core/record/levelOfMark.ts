import { markLevel, type SettledMark } from '../marks/settledMark'
import type { Level } from '../scales/scale'
import type { Subject } from '../school/schoolSetup'
import type { RecordIndex } from './recordIndex'

/**
 * The level that a settled mark stands for on its subject's scale; undefined where none is settled as a percentage.
 *
 * @example levelOfMark(index, mathematics, { percent: 84.6, … }) // level B, where A begins at 85 of the exact mark
 */
export function levelOfMark(
  index: RecordIndex,
  subject: Subject,
  settled: SettledMark | undefined,
): { level: Level; percent: number } | undefined {
  const scale = index.scale(subject.markScale)
  if (!scale || settled?.percent === null || settled?.percent === undefined) return undefined
  const level = markLevel(settled.percent, scale, index.rulesOf(subject.key))
  return level ? { level, percent: settled.percent } : undefined
}
