import { createStore, del, delMany, entries, get, set, update, type UseStore } from 'idb-keyval'
import type { Problem, Work } from './work'

/** A piece of work in the outbox: on this device, until the server has taken it or its owner has decided. */
export interface OutboxEntry {
  /** In the order in which work was done on this device. */
  id: string
  owner: string
  tab: string
  work: Work
  state: 'waiting' | 'sending' | 'refused'
  problem: Problem | null
}

/** This tab, among those that share the outbox. */
export const tabId = crypto.getRandomValues(new Uint32Array(2)).join('-')

let store: UseStore | null = null
let count = 0

function outbox(): UseStore {
  store ??= createStore('facunda-shelf', 'work')
  return store
}

/** Everything of one person, oldest first. */
export async function entriesOf(owner: string): Promise<OutboxEntry[]> {
  const all = await entries<string, OutboxEntry | undefined>(outbox())
  return all.flatMap(([, entry]) => (entry?.owner === owner ? [entry] : [])).sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** Puts work in the outbox as an entry of its own, after all there is; of the tab that it was done in. */
export async function addEntry(owner: string, work: Work, now: number, tab: string = tabId): Promise<void> {
  count += 1
  const id = `${now.toString().padStart(15, '0')}.${count.toString().padStart(8, '0')}.${tabId}`
  await set(id, plain({ id, owner, tab, work, state: 'waiting', problem: null }), outbox())
}

/**
 * Changes one entry in one step, so that no other tab can come between.
 * @returns whether it was still there, and the change wanted
 */
export async function changeEntry(id: string, change: (entry: OutboxEntry) => OutboxEntry | null): Promise<boolean> {
  let changed = false
  await update<OutboxEntry | undefined>(
    id,
    (entry) => {
      const next = entry && change(entry)
      changed = Boolean(next)
      return next ? plain(next) : entry
    },
    outbox(),
  )
  return changed
}

export async function removeEntry(id: string): Promise<void> {
  await del(id, outbox())
}

/** What the server has made of a tab's work under a key, last. */
interface Answered {
  tab: string
  version: number
  at: number
}

let answers: UseStore | null = null

function answerStore(): UseStore {
  answers ??= createStore('facunda-answers', 'versions')
  return answers
}

/**
 * Notes the version that the server gave to a tab's text. It stands on the device, not in a page: whichever tab sends
 * what was typed next, and however late tabs hear of each other, it goes out on this version.
 */
export async function noteAnswer(key: string, tab: string, version: number, now: number): Promise<void> {
  await set(key, { tab, version, at: now } satisfies Answered, answerStore())
}

/** The version that the server gave last to this tab's text; 0 where it gave none. */
export async function answeredVersion(key: string, tab: string): Promise<number> {
  const known = await get<Answered>(key, answerStore())
  return known?.tab === tab ? known.version : 0
}

/** Forgets answers that nothing can follow any more. */
export async function forgetAnswers(before: number): Promise<void> {
  const old = (await entries<string, Answered>(answerStore())).filter(([, { at }]) => at < before)
  await delMany(
    old.map(([key]) => key),
    answerStore(),
  )
}

/** What a store keeps must be plain data; what the pages hold may be watched by them. */
function plain(entry: OutboxEntry): OutboxEntry {
  return JSON.parse(JSON.stringify(entry)) as OutboxEntry
}
