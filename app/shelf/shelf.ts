import { createStore, del, entries, set, update, type UseStore } from 'idb-keyval'
import type { Problem, Work } from './work'

/** A piece of work on the shelf: on this device, until the server has taken it or its owner has decided. */
export interface ShelfEntry {
  /** In the order in which work was done on this device. */
  id: string
  owner: string
  tab: string
  work: Work
  state: 'waiting' | 'sending' | 'refused'
  problem: Problem | null
}

/** This tab, among those that share the shelf. */
export const tabId = crypto.getRandomValues(new Uint32Array(2)).join('-')

let store: UseStore | null = null
let count = 0

function shelf(): UseStore {
  store ??= createStore('facunda-shelf', 'work')
  return store
}

/** Everything of one person, oldest first. */
export async function entriesOf(owner: string): Promise<ShelfEntry[]> {
  const all = await entries<string, ShelfEntry | undefined>(shelf())
  return all.flatMap(([, entry]) => (entry?.owner === owner ? [entry] : [])).sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** Puts work on the shelf as an entry of its own, after all there is; of the tab that it was done in. */
export async function addEntry(owner: string, work: Work, now: number, tab: string = tabId): Promise<void> {
  count += 1
  const id = `${now.toString().padStart(15, '0')}.${count.toString().padStart(8, '0')}.${tabId}`
  await set(id, plain({ id, owner, tab, work, state: 'waiting', problem: null }), shelf())
}

/**
 * Changes one entry in one step, so that no other tab can come between.
 * @returns whether it was still there, and the change wanted
 */
export async function changeEntry(id: string, change: (entry: ShelfEntry) => ShelfEntry | null): Promise<boolean> {
  let changed = false
  await update<ShelfEntry | undefined>(
    id,
    (entry) => {
      const next = entry && change(entry)
      changed = Boolean(next)
      return next ? plain(next) : entry
    },
    shelf(),
  )
  return changed
}

export async function removeEntry(id: string): Promise<void> {
  await del(id, shelf())
}

/** What a store keeps must be plain data; what the pages hold may be watched by them. */
function plain(entry: ShelfEntry): ShelfEntry {
  return JSON.parse(JSON.stringify(entry)) as ShelfEntry
}
