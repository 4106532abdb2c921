import type { Term } from './term'

/** From when to when a child is in a class; both days included, null for an open end. */
export interface Stay {
  readonly from: string | null
  readonly to: string | null
}

/**
 * Whether a child belongs to a class in a term, seen from the term's last day. Who left the school in the middle of it
 * stays: a report is owed. Who went to another class of the year is there, and no longer here. (For the application the
 * database decides the same, in members_of.)
 * @param others the child's other stays in the year: for a home class those in home classes, for a group those in
 *   groups of its subject
 * @example belongsIn({ from: null, to: '2026-11-01' }, [], term) // true, when the term had begun by then
 */
export function belongsIn(
  { from, to }: Stay,
  others: readonly Stay[],
  { starts, ends }: Pick<Term, 'starts' | 'ends'>,
): boolean {
  if (from !== null && from > ends) return false
  if (to === null || to >= ends) return true
  return to >= starts && !others.some((other) => other.from !== null && other.from > to)
}
