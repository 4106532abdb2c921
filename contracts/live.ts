import type { PackedComment } from '../core/record/packedTerm'
import type { ResultCell } from '../core/record/resultPlaces'
import type { LevelKind } from '../core/record/termRecord'
import type { DaysCell, LevelCell, MarkCell } from '../core/record/withWritten'

/** What somebody changed in the class and term in view, as it stands now, as far as the reader may see it. */
export interface News {
  marks: MarkCell[]
  levels: (LevelCell & { kind: LevelKind })[]
  results: ResultCell[]
  attendance: DaysCell[]
  comments: PackedComment[]
  /** True where something else has changed too: the class is to be read again. */
  again: boolean
  /** The events that changed it; a page that did all of them itself knows already. */
  events: number[]
  /** Who changed it, but for the reader. */
  by: string[]
}
