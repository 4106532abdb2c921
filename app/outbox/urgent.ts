import type { Work } from './work'

/**
 * What has been typed and is not in the outbox yet. IndexedDB takes its time, and a page may go at any moment; this is
 * kept before the keystroke is over. A page has a place of its own, which the page after it in the same tab looks into,
 * and any other, new or open, once the page that it belongs to has been silent for long.
 */
interface Urgent {
  owner: string
  tab: string
  at: number
  works: Work[]
}

const prefix = 'facunda.urgent.'
const pageBefore = 'facunda.urgent.page'
/** Milliseconds after which nobody can be about to put this in the outbox any more. */
export const silentAfter = 15_000

/** Keeps what waits to be put in the outbox; nothing takes the place away. */
export function holdUrgently(owner: string, tab: string, works: readonly Work[], now: number): void {
  try {
    if (works.length === 0) return localStorage.removeItem(prefix + tab)
    const urgent: Urgent = { owner, tab, at: now, works: [...works] }
    localStorage.setItem(prefix + tab, JSON.stringify(urgent))
    sessionStorage.setItem(pageBefore, tab)
  } catch {
    // There is no room, or no such place: the outbox itself comes next, and tells when it cannot keep anything either.
  }
}

/**
 * What pages that are gone could not put in the outbox, with the tab it was typed in; it is taken out here.
 * @param own this page's tab, whose place is left alone
 */
export function takeUrgent(owner: string, own: string, now: number): { tab: string; work: Work }[] {
  const before = sessionStorage.getItem(pageBefore)
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(prefix) && key !== prefix + own)
    .flatMap((key) => {
      const urgent = readUrgent(key)
      if (urgent?.owner !== owner || (urgent.tab !== before && now - urgent.at < silentAfter)) return []
      localStorage.removeItem(key)
      return urgent.works.map((work) => ({ tab: urgent.tab, work }))
    })
}

function readUrgent(key: string): Urgent | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Urgent | null
  } catch {
    return null
  }
}
