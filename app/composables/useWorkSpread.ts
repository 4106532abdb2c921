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
    return ordered.map((piece) => spreadOf(piece, classRecord.index?.resultsOfWork(piece.id) ?? none))
  })
}

const none: ReadonlyMap<string, StudentResult> = new Map()
/** One for each piece of work, made again when the work or a result in it changes. */
const made = new WeakMap<PieceOfWork, { of: ReadonlyMap<string, StudentResult>; spread: WorkSpread }>()

function spreadOf(piece: PieceOfWork, of: ReadonlyMap<string, StudentResult>): WorkSpread {
  const before = made.get(piece)
  if (before?.of === of) return before.spread
  const results = [...of.values()]
  const shares = results.flatMap(({ score }) => (score === null ? [] : [(score / piece.outOf) * 100]))
  const spread = {
    piece,
    results: results.length,
    missing: results.filter(({ state }) => state === 'missing').length,
    middle: median(shares),
    low: quantile(shares, 0.25),
    high: quantile(shares, 0.75),
  }
  made.set(piece, { of, spread })
  return spread
}
