import { useEventListener } from '@vueuse/core'
import type { News } from '~~/contracts/live'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSession } from '~/stores/session'

/**
 * A class is read again so many ms after it was said, and up to so many more, so that pages that hear the same do not
 * all ask at once. By then a page knows which events are its own.
 */
const readAfter = { least: 300, more: 700 }
/** A stream on which nothing was heard for so long, in ms, is lost: the server says every 20 s that it is there. */
const lostAfter = 50_000
/** So long, in ms, until a stream that was refused or lost is begun again. */
const anotherTry = 3000
/** So long, in ms, is it said who has changed something. */
const saidFor = 6000

/**
 * Follows what others change in the class in view, while the page is in sight: a hidden page holds no connection, since
 * a browser gives few to one address. Whoever comes back, or whose connection was lost, is told what happened
 * meanwhile.
 */
export function useLive() {
  const classRecord = useClassRecord()
  const session = useSession()
  const saving = useSaving()
  /** Who has just changed something here. */
  const others = ref<string[]>([])
  let source: EventSource | null = null
  /** Until when this page knows what happened, by the database's clock. */
  let known = 0
  let reading: ReturnType<typeof setTimeout> | null = null
  /** The events that the class is to be read again for; and whether there may be more than is known. */
  const waitedFor = new Set<number>()
  let unknown = false
  let forgetting: ReturnType<typeof setTimeout> | undefined
  let beginning: ReturnType<typeof setTimeout> | undefined

  function connect(): void {
    leave()
    if (!classRecord.answer || document.hidden || session.expired) return
    source = new EventSource(`${classRecord.place}/live?since=${known}`)
    source.onopen = heard
    source.addEventListener('here', heard)
    source.onmessage = (message: MessageEvent<string>) => {
      heard()
      take(message)
    }
    // A connection that breaks is made again by the browser; one that is refused (a proxy whose server begins) is not.
    source.onerror = () => {
      if (source?.readyState === EventSource.CLOSED) connectIn(anotherTry)
    }
  }

  function leave(): void {
    clearTimeout(beginning)
    source?.close()
    source = null
  }

  const heard = (): void => connectIn(lostAfter)

  function connectIn(milliseconds: number): void {
    clearTimeout(beginning)
    beginning = setTimeout(connect, milliseconds)
  }

  function take({ data, lastEventId }: MessageEvent<string>): void {
    const news = JSON.parse(data) as News
    known = Math.max(known, Number(lastEventId) || 0)
    classRecord.putNews(news)
    if (news.again) readAgain(news.events)
    if (news.by.length === 0) return
    others.value = news.by
    clearTimeout(forgetting)
    forgetting = setTimeout(() => (others.value = []), saidFor)
  }

  /** What this page did itself, it shows already. @param events none where nobody knows what happened */
  function readAgain(events: readonly number[]): void {
    if (events.length === 0) unknown = true
    for (const event of events) waitedFor.add(event)
    reading ??= setTimeout(
      () => {
        const isOwn = !unknown && [...waitedFor].every((event) => saving.isOwn(event))
        reading = null
        unknown = false
        waitedFor.clear()
        if (!isOwn) void saving.flush().then(classRecord.load)
      },
      readAfter.least + Math.random() * readAfter.more,
    )
  }

  watch(
    () => classRecord.record && classRecord.place,
    () => {
      known = classRecord.answer?.readAt ?? 0
      connect()
    },
    { immediate: true },
  )
  useEventListener(document, 'visibilitychange', connect)
  // Whoever signs in again follows again.
  watch(() => session.expired, connect)
  onUnmounted(() => {
    leave()
    clearTimeout(forgetting)
    if (reading) clearTimeout(reading)
  })
  return { others }
}
