import type { Tier } from '../scales/tier'
import { nameNumber } from './numbers'
import { Tally } from './tally'

/**
 * What classmates have been given already: how often each phrase stands in their texts, and to those at which tier; how
 * often sentences begin alike; and how often the very same is told in the same shape.
 */
export class Usage {
  /** By the numbers of their ids and frames: both are asked for of every wording that there is. */
  private readonly phrases = new Tally()
  private readonly frames = new Tally()
  private readonly atTiers = new Map<Tier, Tally>()
  private readonly told = new Map<string, Map<string, number>>()

  /**
   * One more sentence of a classmate: the phrase, with the keys of what it tells there and the tiers of those; -1 times
   * for one that is taken back.
   */
  note(
    { id, frame, shape }: { readonly id: string; readonly frame: string; readonly shape: string },
    { keys, tiers }: { keys: readonly string[]; tiers: Iterable<Tier> },
    times = 1,
  ): void {
    this.notePhrase(id, tiers, times)
    this.noteFrame(frame, times)
    this.noteTold(keys, shape, times)
  }

  notePhrase(id: string, tiers: Iterable<Tier> = [], times = 1): void {
    const number = nameNumber(id)
    this.phrases.add(number, times)
    for (const tier of tiers) {
      const atTier = this.atTiers.get(tier) ?? new Tally()
      atTier.add(number, times)
      this.atTiers.set(tier, atTier)
    }
  }

  noteFrame(frame: string, times = 1): void {
    this.frames.add(nameNumber(frame), times)
  }

  /** @param shape as shapeOf has it */
  noteTold(keys: readonly string[], shape: string, times = 1): void {
    add(inner(this.told, keysTogether(keys)), shape, times)
  }

  /** @param id as nameNumber has it */
  ofPhrase(id: number): number {
    return this.phrases.of(id)
  }

  /** @param frame as nameNumber has it */
  ofFrame(frame: number): number {
    return this.frames.of(frame)
  }

  /** How often each phrase was said to those at a tier; null for none. */
  at(tier: Tier): Tally | null {
    return this.atTiers.get(tier) ?? null
  }

  /** How often just this was told in each shape. */
  telling(keys: readonly string[]): ReadonlyMap<string, number> {
    return this.told.get(keysTogether(keys)) ?? nothing
  }
}

const nothing: ReadonlyMap<string, number> = new Map()

function add(counts: Map<string, number>, key: string, times: number): void {
  counts.set(key, (counts.get(key) ?? 0) + times)
}

function inner<K>(counts: Map<K, Map<string, number>>, key: K): Map<string, number> {
  const known = counts.get(key)
  if (known) return known
  const made = new Map<string, number>()
  counts.set(key, made)
  return made
}

function keysTogether(keys: readonly string[]): string {
  return keys.join('\u0000')
}
