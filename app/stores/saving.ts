import { defineStore } from 'pinia'
import type { UndoAnswer } from '~~/contracts/history'
import { writeAnswer, type WriteAnswer } from '~~/contracts/text'
import { ApiProblem, askServer } from '~/composables/useApi'
import {
  addEntry,
  answeredVersion,
  changeEntry,
  entriesOf,
  forgetAnswers,
  noteAnswer,
  removeEntry,
  tabId,
  type OutboxEntry,
} from '~/outbox/outbox'
import { holdUrgently, silentAfter, takeUrgent } from '~/outbox/urgent'
import { afterVersion, merged, overStanding, parted, type Conflict, type Work } from '~/outbox/work'
import { useSession } from './session'

const longestPause = 8000
/** Milliseconds for which a text may still follow what was sent before it: a week away from the server. */
const followedFor = 7 * 86_400_000
/** Milliseconds without a keystroke after which a text is sent. */
const afterTyping = 400

/** What tabs tell each other: that the outbox has changed, and what the server answered to whose work. */
interface News {
  answered?: { tab: string; key: string; answer: WriteAnswer }
}

/**
 * Sends every change as it is made, in order, one at a time over all tabs. Work is put in the outbox (on this device,
 * also over a reload) before it is sent, and stays there until the server has taken it; what the server refuses stays
 * too, listed, until its owner has decided, and stops nothing else.
 */
export const useSaving = defineStore('saving', () => {
  const session = useSession()
  const outbox = shallowRef<OutboxEntry[]>([])
  const waiting = computed(() => outbox.value.filter((entry) => entry.state !== 'refused'))
  const refused = computed(() => outbox.value.filter((entry) => entry.state === 'refused'))
  const savedAt = ref<Date | null>(null)
  const trouble = ref<string | null>(null)
  /** What was done last, with the version that it gave the texts in it: undoing says what it saw. */
  const lastEvent = shallowRef<{ id: number; seen: number | null } | null>(null)
  const ownEvents = new Set<number>()
  /** Whether the last event is an undoing, so that undoing it does the thing again. */
  const lastWasUndo = ref(false)
  /** Called when the server has taken work: of this tab, or (with the work) what an earlier page could not send. */
  const listeners = new Set<(key: string, answer: WriteAnswer, ofAnother?: Work) => void>()
  const channel = new BroadcastChannel('facunda.shelf')
  let owner: string | null = null
  let pause = 500
  let timer: ReturnType<typeof setTimeout> | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  let watching: ReturnType<typeof setInterval> | undefined
  /** What has not reached the outbox yet, by key. */
  const pending = shallowReactive(new Map<string, Work>())
  /** One after the other: what this tab puts in the outbox. */
  let putting: Promise<unknown> = Promise.resolve()
  /** What was asked for beside the outbox and is not answered yet. */
  let asking: Promise<unknown> = Promise.resolve()
  const asked = ref(0)
  const isAsked = computed(() => asked.value > 0)
  let flushing: Promise<void> | null = null
  let flushAgain = false
  /** What the server has taken, whether the device has forgotten it yet or not. */
  const takenOff = new Set<string>()
  let looks = 0
  let newestLook = 0

  channel.onmessage = ({ data }: MessageEvent<News>) => {
    if (data.answered?.tab === tabId) hear(data.answered.key, data.answered.answer)
    void look()
  }

  // Somebody is back: what is waiting goes out, if it is the same person; anybody else gets a page of their own.
  watch(
    () => session.expired,
    (expired) => {
      if (expired) return
      if (session.person?.id === owner) void flush()
      else window.location.reload()
    },
  )

  /** Takes what an earlier visit or another tab could not send, and tries to send it. */
  async function takeUp(): Promise<void> {
    owner = session.person?.id ?? null
    await takeLeft()
    await look()
    await flush()
    await forgetAnswers(Date.now() - followedFor)
    watching ??= setInterval(() => void takeLeft().then((found) => (found ? flush() : undefined)), silentAfter)
  }

  /** Puts in the outbox what a page that is gone had no time to put there. @returns whether there was anything */
  function takeLeft(): Promise<boolean> {
    return alone('urgent', async () => {
      const left = owner === null ? [] : takeUrgent(owner, tabId, Date.now())
      for (const { tab, work } of left) await addEntry(owner ?? '', work, Date.now(), tab)
      return left.length > 0
    })
  }

  /** Looks at the outbox. Two looks may come back in the other order: an older one never takes a newer one’s place. */
  async function look(): Promise<void> {
    const nth = ++looks
    const found = owner === null ? [] : await entriesOf(owner)
    if (nth < newestLook) return
    newestLook = nth
    outbox.value = found.filter(({ id }) => !takenOff.has(id))
  }

  /** Keeps a change on this device at once, and sends it: now, or soon when the next keystroke may follow. */
  function save(work: Work, when: 'now' | 'soon' = 'now'): void {
    const before = pending.get(work.key)
    pending.set(work.key, before ? merged(before, work) : work)
    hold()
    putting = putting.then(putPending).catch(tellOutbox)
    clearTimeout(timer)
    if (when === 'now') void flush()
    else timer = setTimeout(() => void flush(), afterTyping)
  }

  /** Keeps what is not in the outbox yet, should the page go. */
  function hold(): void {
    owner ??= session.person?.id ?? null
    if (owner !== null) holdUrgently(owner, tabId, [...pending.values()], Date.now())
  }

  async function putPending(): Promise<void> {
    for (const [key, work] of [...pending]) {
      await put(work)
      // What was typed meanwhile stands in its place, and is put in the outbox next.
      if (pending.get(key) === work) pending.delete(key)
    }
    hold()
  }

  async function put(work: Work): Promise<void> {
    owner ??= session.person?.id ?? null
    if (owner === null) return
    const own = outbox.value.findLast((entry) => entry.tab === tabId && entry.work.key === work.key)
    // What has not gone out yet takes the newer work in; so does what waits for a decision.
    const takenIn =
      own !== undefined &&
      own.state !== 'sending' &&
      (await changeEntry(own.id, (entry) =>
        entry.state === 'sending' || (entry.state === 'refused' && work.kind !== 'comment')
          ? null
          : { ...entry, work: merged(entry.work, work) },
      ))
    if (!takenIn) await addEntry(owner, work, Date.now())
    await changed()
  }

  async function changed(news: News = {}): Promise<void> {
    await look()
    channel.postMessage(news)
  }

  function tellOutbox(error: unknown): void {
    const why = error instanceof Error ? error.message : String(error)
    trouble.value =
      `This device cannot keep what you type (${why}). ` + 'Do not close this page before it says “saved”.'
  }

  /** Sends what waits, oldest first. Only one tab sends at a time. */
  function flush(): Promise<void> {
    flushAgain = true
    flushing ??= (async () => {
      try {
        while (flushAgain) {
          flushAgain = false
          await putting
          await alone('shelf', sendAll)
        }
      } catch (error) {
        tellOutbox(error)
      } finally {
        flushing = null
      }
    })()
    return flushing
  }

  async function alone<T>(what: 'shelf' | 'urgent', work: () => Promise<T>): Promise<T> {
    // A page that is not served over a safe connection has no locks; the server's own rule still holds.
    return 'locks' in navigator ? await navigator.locks.request(`facunda.${what}.${owner}`, () => work()) : work()
  }

  async function sendAll(): Promise<void> {
    for (;;) {
      await putting
      await look()
      const [next] = waiting.value
      if (!next || !(await send(next))) return
    }
  }

  /** @returns whether to go on with the next */
  async function send(entry: OutboxEntry): Promise<boolean> {
    let { work } = entry
    await changeEntry(entry.id, (now) => {
      work = now.work
      return { ...now, state: 'sending' }
    })
    // Typed before its page heard of the version that the server gave a moment ago, perhaps to another tab.
    work = afterVersion(work, await answeredVersion(work.key, entry.tab))
    try {
      const answer = writeAnswer.safeParse(await askServer('PUT', work.path, work.body))
      if (!answer.success) throw new ApiProblem('Something else than Facunda answered.', 0, {})
      await taken({ ...entry, work }, answer.data)
      return true
    } catch (error) {
      const problem = error instanceof ApiProblem ? error : new ApiProblem(String(error), 0, {})
      return notTaken({ ...entry, work }, problem)
    }
  }

  async function taken(entry: OutboxEntry, answer: WriteAnswer): Promise<void> {
    // From here on it stands over nothing that is told or read, however long the device takes to forget it.
    takenOff.add(entry.id)
    outbox.value = outbox.value.filter(({ id }) => id !== entry.id)
    if (entry.tab === tabId) hear(entry.work.key, answer)
    else adopt(entry.work, answer)
    const { version } = answer
    // Before the entry goes: what was typed meanwhile goes out on the version that is saved now.
    if (typeof version === 'number') await noteAnswer(entry.work.key, entry.tab, version, Date.now())
    await removeEntry(entry.id)
    trouble.value = null
    pause = 500
    await changed({ answered: { tab: entry.tab, key: entry.work.key, answer } })
  }

  function hear(key: string, answer: WriteAnswer): void {
    savedAt.value = new Date()
    if (answer.event !== null) did(answer.event, answer.version)
    for (const listener of listeners) listener(key, answer)
  }

  /** What an earlier page could not send is in: whoever shows the very same goes on from there. */
  function adopt(work: Work, answer: WriteAnswer): void {
    savedAt.value = new Date()
    if (answer.event !== null) noteOwn(answer.event)
    for (const listener of listeners) listener(work.key, answer, work)
  }

  /** Remembers what was done last here, so that it can be undone. */
  function did(event: number | null, version: number | null = null): void {
    if (event !== null) noteOwn(event)
    lastEvent.value = event === null ? null : { id: event, seen: version }
    lastWasUndo.value = false
  }

  /** Remembers that this page made an event, which it will hear of like everybody. */
  function noteOwn(event: number): void {
    ownEvents.add(event)
  }

  /** How many events this page has made. */
  const ownCount = (): number => ownEvents.size

  function isOwn(event: number): boolean {
    return ownEvents.has(event)
  }

  /**
   * Asks for a change that is shown when the server has made it, and remembers how to undo it. What is undone next
   * waits for the answer: until then nobody knows what was done last.
   */
  function askFor<T extends { event: number | null }>(method: 'PUT' | 'POST', path: string, body: object): Promise<T> {
    const asked = askServer<T>(method, path, body).then((answer) => {
      if (answer.event !== null) did(answer.event)
      return answer
    })
    undoAfter(asked)
    return asked
  }

  /** What is undone next waits for this too, such as a change that has its turn only after another. */
  function undoAfter(work: Promise<unknown>): void {
    asked.value += 1
    asking = Promise.allSettled([asking, work]).then(() => (asked.value -= 1))
  }

  /** Undoes what was done last, once all of it has been sent; undoing that in turn does it again. */
  async function undoLast(): Promise<void> {
    await asking
    await flush()
    if (lastEvent.value === null) return
    const { id, seen } = lastEvent.value
    const { event, version } = await askServer<UndoAnswer>('POST', `/api/events/${id}/undo`, { seen })
    noteOwn(event)
    lastEvent.value = { id: event, seen: version }
    lastWasUndo.value = !lastWasUndo.value
  }

  async function notTaken(entry: OutboxEntry, problem: ApiProblem): Promise<boolean> {
    if (problem.status === 401 || problem.passing) {
      await changeEntry(entry.id, (now) => ({ ...now, state: 'waiting' }))
      await changed()
      waitFor(problem)
      return false
    }
    const conflicts = (problem.details.conflicts ?? []) as Conflict[]
    const { refused: part, rest } = parted(entry.work, conflicts)
    const told = { status: problem.status, message: problem.message, conflicts }
    await changeEntry(entry.id, (now) => ({ ...now, work: part, state: 'refused', problem: told }))
    if (rest) await addEntry(entry.owner, rest, Date.now())
    await supersede(entry)
    await changed()
    return true
  }

  /** A text that was typed on while its beginning was refused is one text: the newer words take the older's place. */
  async function supersede(entry: OutboxEntry): Promise<void> {
    if (entry.work.kind !== 'comment') return
    const all = await entriesOf(entry.owner)
    const later = all.filter(({ id, tab, work }) => id > entry.id && tab === entry.tab && work.key === entry.work.key)
    for (const { id, work } of later) {
      await changeEntry(entry.id, (now) => ({ ...now, work }))
      await removeEntry(id)
    }
  }

  function waitFor(problem: ApiProblem): void {
    if (problem.status === 401) {
      session.expired = true
      trouble.value = 'You are signed out. What you typed is kept on this device; sign in and it is saved.'
      return
    }
    trouble.value = `${problem.message} What you typed is kept on this device and saved as soon as it is back.`
    clearTimeout(again)
    again = setTimeout(() => void flush(), pause)
    pause = Math.min(longestPause, pause * 2)
  }

  /** What was refused goes out again: over what stands now where that was in its way. */
  async function insist(entry: OutboxEntry): Promise<void> {
    await changeEntry(entry.id, (now) => ({
      ...now,
      work: now.problem?.status === 409 ? overStanding(now.work, now.problem.conflicts) : now.work,
      state: 'waiting',
      problem: null,
    }))
    await changed()
    await flush()
  }

  /** What was refused is given up by its owner. */
  async function letGo(entry: OutboxEntry): Promise<void> {
    await removeEntry(entry.id)
    await changed()
  }

  /** Whether there is work under this key that the server has not taken, on any tab. */
  function isInOutbox(key: string): boolean {
    return pending.has(key) || outbox.value.some((entry) => entry.work.key === key)
  }

  return {
    pending,
    outbox,
    waiting,
    refused,
    savedAt,
    trouble,
    lastEvent,
    lastWasUndo,
    did,
    noteOwn,
    isOwn,
    ownCount,
    isAsked,
    askFor,
    undoAfter,
    undoLast,
    listeners,
    save,
    takeUp,
    flush,
    insist,
    letGo,
    isInOutbox,
  }
})
