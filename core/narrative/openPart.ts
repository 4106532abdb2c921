import type { Tier } from '../scales/tier'
import type { Because, SayableFact } from './because'
import type { FactName } from './notation'
import type { PlannedPart } from './plan'
import type { ReadyPhrase } from './readyPhrase'

/** A place in a comment that is waiting for its wording. */
export interface OpenPart {
  /** What it says, as it is kept with its sentence: a part of the plan, or each skill or habit by itself. */
  readonly keys: readonly string[]
  /** The parts of the plan by which it is said. */
  readonly within: readonly string[]
  readonly planned: PlannedPart
  readonly candidates: readonly ReadyPhrase[]
  readonly tier: Tier | null
  /** True when it tells of an uneven strand: no describing word is true of all of it. */
  readonly uneven: boolean
  readonly because: readonly Because[]
  /** What single wordings rest on besides, by their phrases' ids, where they do not all tell the same. */
  readonly becauseOf?: ReadonlyMap<string, readonly Because[]>
  /** What its phrases may say of the record. */
  readonly facts: Partial<Record<FactName, SayableFact>>
  /** The same facts as plain words. */
  readonly words: Partial<Record<FactName, string>>
  /** Parts that may be left out when the limit is tight, highest first. */
  readonly dispensable: number
}
