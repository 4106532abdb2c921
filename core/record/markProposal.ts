import { decayingAverage } from '../marks/drawTogether'
import { mostFrequent, median } from '../marks/middle'
import { markLevel, movedFrom, agreementOf, type Agreement } from '../marks/settledMark'
import { resultPercent, termMark, type TermMark } from '../marks/termMark'
import { weightedMean } from '../marks/weightedMean'
import type { Level } from '../scales/scale'
import type { StudentMark } from './termRecord'
import type { RecordIndex } from './recordIndex'

/** What the record proposes for one student and subject, beside what is settled, and what to compare it with. */
export interface MarkProposal {
  readonly computed: TermMark
  readonly proposedLevel: Level | undefined
  readonly settled: StudentMark | undefined
  readonly settledLevel: Level | undefined
  readonly agreement: Agreement
  /** What was proposed when it was settled, where another is proposed now. */
  readonly movedFrom: number | null
  /** Percentages. */
  readonly mostRecent: number | null
  readonly median: number | null
  /** The newer the heavier (drawTogether.ts). */
  readonly recencyWeighted: number | null
  /** The mean of work that only informs. */
  readonly informing: number | null
  /** The level's symbol. */
  readonly mostFrequent: string | undefined
  readonly lastTerm: number | null
}

/**
 * The proposal for one student and subject. O(that student's results).
 *
 * @example markProposal(index, 'maya', 'mathematics').percent // 70, from 8 of 10 and 6 of 10, at equal weights
 */
export function markProposal(index: RecordIndex, studentId: string, subjectKey: string): MarkProposal {
  const rules = index.rulesOf(subjectKey)
  const work = index.workOf(subjectKey)
  const results = index.resultsOf(studentId, subjectKey)
  const scale = index.markScaleOf(subjectKey)
  const computed = termMark(work, results, index.categoriesOf(subjectKey), { ...rules, scale })
  const settled = index.markOf(studentId, subjectKey)
  const byWork = new Map(results.map((result) => [result.workId, result]))
  const percentsOf = (counts: boolean): number[] =>
    work.flatMap((piece) => {
      const result = byWork.get(piece.id)
      return (result && piece.counts === counts ? resultPercent(piece, result, rules) : null) ?? []
    })
  const percents = percentsOf(true)
  const informing = percentsOf(false)
  const levelOf = (percent: number | null | undefined): Level | undefined =>
    scale && percent !== null && percent !== undefined ? markLevel(percent, scale, rules) : undefined
  const lastTerm = index.markBefore(studentId, subjectKey)
  return {
    computed,
    proposedLevel: levelOf(computed.percent),
    settled,
    settledLevel: levelOf(settled?.percent),
    agreement: agreementOf(computed.percent, settled, rules),
    movedFrom: movedFrom(computed.percent, settled, rules),
    mostRecent: percents.at(-1) ?? null,
    median: median(percents),
    recencyWeighted: decayingAverage(percents, rules.newestWeighs / 100),
    informing: mean(informing),
    mostFrequent: mostFrequent(percents.flatMap((percent) => levelOf(percent)?.symbol ?? [])),
    lastTerm: lastTerm?.percent ?? null,
  }
}

function mean(values: readonly number[]): number | null {
  return weightedMean(values.map((value) => ({ value, weight: 1 })))
}
