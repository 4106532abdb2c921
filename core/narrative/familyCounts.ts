import { withRoomFor } from './numberList'

/** How often each word family, by its number, stands in a choice; counted up and down for every wording tried. */
export class FamilyCounts {
  private counts: Int32Array = new Int32Array(1024)

  of(family: number): number {
    return this.counts[family] ?? 0
  }

  /** @returns how often it stands there now */
  add(family: number): number {
    this.counts = withRoomFor(family, this.counts)
    const count = this.of(family) + 1
    this.counts[family] = count
    return count
  }

  takeAway(family: number): void {
    this.counts[family] = this.of(family) - 1
  }
}
