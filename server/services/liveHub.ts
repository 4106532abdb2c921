import type { Knex } from 'knex'
import type { News } from '../../contracts/live'
import { Refusal } from '../access/refusal'
import { eventsSince, listenToEvents } from '../data/eventNews'
import { loadHappened, newsFor, type Happened, type Viewer } from './live'

/** A page that looks at a class. */
interface Follower {
  viewer: Viewer
  /** When its rights were looked at last, in ms. */
  lookedAt: number
  /** @param at until when the news is known, by the database's clock */
  readonly tell: (news: News, at?: number) => void
  /** Looks anew at who it is and what they may see; undefined when they may see it no more. */
  readonly lookAnew: () => Promise<Viewer | undefined>
  readonly dismiss: () => void
}

/** Events that come together are looked at together, so many ms after the first. */
const gatheredFor = 30
/** So long, in ms, does a look at somebody's rights hold. */
const rightsHold = 10_000
/** So many pages of one person are told. */
const mostOfOne = 40
/** So long, in ms, until listening is tried again. */
const anotherTry = 1000

const everythingAgain: News = {
  marks: [],
  levels: [],
  results: [],
  attendance: [],
  comments: [],
  again: true,
  events: [],
  by: [],
}

const followers = new Set<Follower>()
/** Until somebody listens for the first time, or could not. */
let listening: Promise<void> | null = null
let heard: number[] = []
let working: Promise<void> = Promise.resolve()

/** @throws Refusal when too many pages of one person follow already */
export function requireFewStreams(personId: string): void {
  if ([...followers].filter(({ viewer }) => viewer.personId === personId).length < mostOfOne) return
  throw new Refusal('too often', `You have ${mostOfOne} pages open already that follow a class. Close some of them.`)
}

/**
 * Tells a page what others change in the class that it looks at, from a moment of the database's clock until it stops.
 * All pages of a process share one connection that listens, and one look at what happened.
 * @returns how to stop
 */
export function follow(db: Knex, follower: Omit<Follower, 'lookedAt'>, since: number): () => void {
  const one = { ...follower, lookedAt: Date.now() }
  followers.add(one)
  listen(db)
  // In its turn, so that what stood earlier is never told later.
  inTurn(() => catchUp(db, one, since))
  return () => followers.delete(one)
}

/** Tells what happened between the reading of the class and now. */
async function catchUp(db: Knex, { viewer, tell }: Follower, since: number): Promise<void> {
  await listening
  const ids = await eventsSince(db, viewer.termId, since)
  if (ids === null) return tell(everythingAgain)
  const happened = await loadHappened(db, ids)
  const news = newsFor(viewer, happened)
  if (news) tell(news, newest(happened))
}

function inTurn(work: () => Promise<void>): void {
  working = working.then(work).catch((error: unknown) => console.error(error))
}

function newest({ events }: Happened): number {
  return Math.max(...events.map(({ at }) => at))
}

/** Listens for as long as there is anybody to tell; one connection at a time, and another only when it has ended. */
function listen(db: Knex): void {
  listening ??= new Promise((begun, failed) => {
    keepListening(db, begun).catch(failed)
  })
}

async function keepListening(db: Knex, begun: () => void): Promise<void> {
  let isFirst = true
  while (isFirst || followers.size > 0) {
    const connection = await listenToEvents((id) => hear(db, id)).catch(() => null)
    // What happened while nobody listened is not known: every page reads its class again, once somebody does.
    if (connection && !isFirst) for (const { tell } of followers) tell(everythingAgain)
    isFirst = false
    begun()
    await connection?.ended
    await new Promise((resolve) => setTimeout(resolve, anotherTry))
  }
  listening = null
}

function hear(db: Knex, id: number): void {
  heard.push(id)
  if (heard.length > 1) return
  setTimeout(() => {
    const ids = heard
    heard = []
    inTurn(() => tellFollowers(db, ids))
  }, gatheredFor)
}

async function tellFollowers(db: Knex, ids: readonly number[]): Promise<void> {
  if (followers.size === 0) return
  const happened = await loadHappened(db, ids)
  for (const follower of [...followers]) {
    if (newsFor(follower.viewer, happened) === null || !(await mayStillSee(follower))) continue
    const news = newsFor(follower.viewer, happened)
    if (news === null) continue
    // Whoever is in the class, or what they may see there, may have changed.
    if (news.again) follower.lookedAt = 0
    follower.tell(news, newest(happened))
  }
}

async function mayStillSee(follower: Follower): Promise<boolean> {
  if (Date.now() - follower.lookedAt < rightsHold) return true
  const viewer = await follower.lookAnew()
  if (!viewer) {
    followers.delete(follower)
    follower.dismiss()
    return false
  }
  Object.assign(follower, { viewer, lookedAt: Date.now() })
  return true
}
