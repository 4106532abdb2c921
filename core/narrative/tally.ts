import { withRoomFor } from './numberList'

/** How often each of many things was counted, by its number (numbers.ts): counted and asked for all the time. */
export class Tally {
  private counts: Int32Array = new Int32Array(1024)

  of(number: number): number {
    return this.counts[number] ?? 0
  }

  /** @returns how often it is counted now */
  add(number: number, times = 1): number {
    this.counts = withRoomFor(number, this.counts)
    const count = this.of(number) + times
    this.counts[number] = count
    return count
  }
}
