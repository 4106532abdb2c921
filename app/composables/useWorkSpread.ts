import { median, quantile } from '~~/core/marks/middle'
import type { PieceOfWork } from '~~/core/marks/work'
import type { StudentResult } from '~~/core/record/termRecord'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** A piece of work with what the class has in it; shares in per cent. */
export interface WorkSpread {
  piece: PieceOfWork
  results: number
  missing: number
  middle: number | null
  low: number | null
  high: number | null
}

/** Pieces of work in the order that the reader likes, each with the class's middle result and its middle half. */
export function useWorkSpread(work: Ref<readonly PieceOfWork[]>): ComputedRef<WorkSpread[]> {
  const classRecord = useClassRecord()
  const settings = useSettings()
  return computed(() => {
    const ordered = settings.own.workOrder === 'newest first' ? [...work.value].reverse() : work.value
    const byWork = new Map<string, StudentResult[]>()
    for (const result of classRecord.record?.results ?? []) {
      const others = byWork.get(result.workId)
      if (others) others.push(result)
      else byWork.set(result.workId, [result])
    }
    return ordered.map((piece) => {
      const results = byWork.get(piece.id) ?? []
      const shares = results.flatMap(({ score }) => (score === null ? [] : [(score / piece.outOf) * 100]))
      return {
        piece,
        results: results.length,
        missing: results.filter(({ state }) => state === 'missing').length,
        middle: median(shares),
        low: quantile(shares, 0.25),
        high: quantile(shares, 0.75),
      }
    })
  })
}
