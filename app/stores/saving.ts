import { defineStore } from 'pinia'
import { ApiProblem, askServer } from '~/composables/useApi'
import { useSession } from './session'

interface Waiting {
  /** Newer work under the same key takes the place of older work that has not gone out yet. */
  key: string
  method: 'PUT' | 'POST'
  path: string
  body: Record<string, unknown>
}

interface Answer {
  event?: number | null
  version?: number
}

const longestPause = 8000
/** Milliseconds without a keystroke after which a text is sent. */
const afterTyping = 400

/**
 * Sends every change as it is made, in order, one at a time. What cannot be sent stays on this device (also over a
 * reload) until the server is back or the person has signed in again.
 */
export const useSaving = defineStore('saving', () => {
  const session = useSession()
  const waiting = shallowRef<Waiting[]>([])
  const savedAt = ref<Date | null>(null)
  const trouble = ref<string | null>(null)
  /** What the server would not take, with its reason; the text stays on the screen. */
  const refused = shallowRef<{ work: Waiting; problem: ApiProblem } | null>(null)
  const lastEvent = ref<number | null>(null)
  const handlers = new Map<string, (answer: Answer) => void>()
  let running = false
  let pause = 500
  let owner: string | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  const shelf = (): string => `facunda.waiting.${owner ?? 'nobody'}`

  // Somebody is back: what is waiting goes out, if it is the same person; anybody else gets a page of their own.
  watch(
    () => session.expired,
    (expired) => {
      if (expired) return
      if (session.person?.id === owner) void flush()
      else window.location.reload()
    },
  )

  /** Takes what an earlier visit could not send, and tries to send it. */
  async function takeUp(): Promise<void> {
    owner = session.person?.id ?? null
    const kept = localStorage.getItem(shelf())
    if (kept && waiting.value.length === 0) waiting.value = JSON.parse(kept) as Waiting[]
    await flush()
  }

  /**
   * Keeps a change on this device at once, and sends it: now, or soon when the next keystroke may follow.
   * `answered` is called when the server has taken it.
   */
  function save(work: Waiting, when: 'now' | 'soon' = 'now', answered?: (answer: Answer) => void): void {
    const [inFlight, ...later] = waiting.value
    const rest =
      running && inFlight
        ? [inFlight, ...later.filter((each) => each.key !== work.key)]
        : waiting.value.filter((each) => each.key !== work.key)
    put([...rest, work])
    if (answered) handlers.set(work.key, answered)
    clearTimeout(timer)
    if (when === 'now') void flush()
    else timer = setTimeout(() => void flush(), afterTyping)
  }

  /** The body of work under this key that has not gone out yet, so that more can be added to it. */
  function unsent(key: string): Record<string, unknown> | undefined {
    return waiting.value.find((each, at) => each.key === key && !(running && at === 0))?.body
  }

  function put(list: Waiting[]): void {
    waiting.value = list
    if (list.length === 0) localStorage.removeItem(shelf())
    else localStorage.setItem(shelf(), JSON.stringify(list))
  }

  async function flush(): Promise<void> {
    if (running) return
    running = true
    try {
      for (let work = waiting.value[0]; work; work = waiting.value[0]) {
        if (!(await send(work))) break
      }
    } finally {
      running = false
    }
  }

  /** @returns whether to go on with the next */
  async function send(work: Waiting): Promise<boolean> {
    try {
      const answer = await askServer<Answer>(work.method, work.path, work.body)
      put(waiting.value.filter((each) => each !== work))
      savedAt.value = new Date()
      trouble.value = null
      pause = 500
      if (answer.event) lastEvent.value = answer.event
      handlers.get(work.key)?.(answer)
      return true
    } catch (error) {
      return failed(work, error instanceof ApiProblem ? error : new ApiProblem(String(error), 0, {}))
    }
  }

  function failed(work: Waiting, problem: ApiProblem): boolean {
    if (problem.status === 401) {
      session.expired = true
      trouble.value = 'You are signed out. What you typed is kept on this device; sign in and it is saved.'
      return false
    }
    if (problem.passing || problem.status >= 500) {
      trouble.value =
        'The server cannot be reached just now. What you typed is kept on this device and saved as soon as it is back.'
      setTimeout(() => void flush(), pause)
      pause = Math.min(longestPause, pause * 2)
      return false
    }
    put(waiting.value.filter((each) => each !== work))
    refused.value = { work, problem }
    return true
  }

  return { waiting, savedAt, trouble, refused, lastEvent, save, unsent, takeUp, flush }
})
