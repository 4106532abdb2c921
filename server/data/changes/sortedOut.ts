import { Refusal } from '../../access/refusal'
import { rowKey, type Change, type Row, type StoredRow } from './changeableTables'
import { judge } from './changedSince'

/** How changes are recorded. */
export interface RecordOptions {
  /** What happens when something has changed since: all is refused, or that part is left out. */
  whenChanged?: 'refuse' | 'leave out'
  /** A standing row as the writer may be shown it. */
  show?: (standing: Row | null, change: Change) => object | null
  undoes?: number
}

/**
 * Which changes are to be made, and which are left out since something has changed; the rest stands so already.
 * @param held the rows as they stand, held
 * @throws Refusal of the kind "conflict", naming each change whose row has changed since and how it stands
 */
export function sortOut(
  changes: readonly Change[],
  held: ReadonlyMap<string, StoredRow>,
  { whenChanged = 'refuse', show = (standing) => standing }: RecordOptions,
): { wanted: Change[]; leftOut: Change[] } {
  const judged = changes.map((change, nth) => ({ change, nth, verdict: judge(change, held.get(rowKey(change))) }))
  const changed = judged.filter(({ verdict }) => verdict === 'changed since')
  if (changed.length > 0 && whenChanged === 'refuse') {
    throw new Refusal('conflict', 'This was changed elsewhere since you saw it. Nothing was overwritten.', {
      conflicts: changed.map(({ change, nth }) => ({
        nth,
        standing: show(held.get(rowKey(change))?.row ?? null, change),
        version: held.get(rowKey(change))?.version ?? 0,
      })),
    })
  }
  return {
    wanted: judged.filter(({ verdict }) => verdict === 'make it').map(({ change }) => change),
    leftOut: changed.map(({ change }) => change),
  }
}
