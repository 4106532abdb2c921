import { useEventListener } from '@vueuse/core'
import type { News } from '~~/contracts/live'
import { useClassRecord } from '~/stores/classRecord'
import { useSession } from '~/stores/session'

/** A whole class is read again at most so often, in ms, however much is changed in it. */
const restsFor = 1000
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
  /** Who has just changed something here. */
  const others = ref<string[]>([])
  let source: EventSource | null = null
  /** Until when this page knows what happened, by the database's clock. */
  let known = 0
  let reading: ReturnType<typeof setTimeout> | null = null
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
    if (news.again) readAgain()
    if (news.by.length === 0) return
    others.value = news.by
    clearTimeout(forgetting)
    forgetting = setTimeout(() => (others.value = []), saidFor)
  }

  /** Pages that hear the same read again one after the other. */
  function readAgain(): void {
    reading ??= setTimeout(() => {
      reading = null
      void classRecord.load()
    }, Math.random() * restsFor)
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
