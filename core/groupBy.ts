/**
 * Items by a key, each group in the order of the items. O(items).
 * @example groupBy(['ash', 'elm', 'alder'], (word) => word.slice(0, 1)).get('a') // ['ash', 'alder']
 */
export function groupBy<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    const key = keyOf(item)
    const group = groups.get(key)
    if (group) group.push(item)
    else groups.set(key, [item])
  }
  return groups
}
