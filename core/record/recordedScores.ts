import { roundHalfUp } from '../marks/rounding'
import { resultPercent } from '../marks/termMark'
import type { RecordIndex } from './recordIndex'

/** What a comment may rightly quote of a subject: scores, and whole per cents of results and of the settled mark. */
export interface RecordedScores {
  readonly scores: readonly { score: number; outOf: number }[]
  readonly percents: readonly number[]
}

/** Every score of a child in a subject, and what each is in per cent, by the subject's rules. */
export function recordedScores(index: RecordIndex, studentId: string, subject: string): RecordedScores {
  const works = new Map(index.workOf(subject).map((piece) => [piece.id, piece]))
  const results = index.resultsOf(studentId, subject).flatMap((result) => {
    const piece = works.get(result.workId)
    return piece && result.score !== null ? [{ piece, score: result.score, result }] : []
  })
  const percents = [
    index.markOf(studentId, subject)?.percent ?? null,
    ...results.map(({ piece, result }) => resultPercent(piece, result, index.rulesOf(subject))),
  ]
  return {
    scores: results.map(({ piece, score }) => ({ score, outOf: piece.outOf })),
    percents: percents.flatMap((percent) => (percent === null ? [] : [roundHalfUp(percent)])),
  }
}
