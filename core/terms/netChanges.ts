import { dequal } from 'dequal'
import { groupBy } from '../groupBy'

/** One change of a value, by somebody, at a time. */
export interface TimedChange<Value> {
  /** Which value it is. */
  readonly place: string
  readonly from: Value
  readonly to: Value
  readonly by: string
  /** In ms. */
  readonly at: number
}

/** What became of a value over several changes. */
export interface NetChange<Value> extends Omit<TimedChange<Value>, 'by'> {
  /** Whoever changed it, in the order in which they first did. */
  readonly by: readonly string[]
}

/**
 * What has become of each value, from the first of its changes to the last; one that stands again as it stood is left
 * out.
 * @param changes oldest first
 * @example netChanges([from('3', '2'), from('2', '3')]) // []: it was changed, and taken back
 */
export function netChanges<Value>(changes: readonly TimedChange<Value>[]): NetChange<Value>[] {
  return [...groupBy(changes, ({ place }) => place)].flatMap(([place, of]) => {
    const [first, last] = [of[0], of.at(-1)]
    if (!first || !last || dequal(first.from, last.to)) return []
    return [{ place, from: first.from, to: last.to, at: last.at, by: [...new Set(of.map(({ by }) => by))] }]
  })
}
