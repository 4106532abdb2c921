import { getQuery, getRequestHeader, setResponseHeaders, type H3Event } from 'h3'

/**
 * So often, in ms, is it said on a stream that it is there: nobody on the way ends it then, and a page that hears
 * nothing for longer knows that it is lost.
 */
const stillHere = 20_000

/** What is sent on a stream, and how it is ended. */
interface Sender {
  /** @param at what the browser says when it comes back, to be told what it missed */
  readonly send: (data: object, at?: number) => void
  readonly end: () => void
}

/**
 * A stream of server-sent events (the HTML standard's text/event-stream), until the page goes or it is ended.
 * @param begin starts whatever sends, and says how to stop it
 */
export function eventStream(event: H3Event, begin: (sender: Sender) => () => void): ReadableStream {
  setResponseHeaders(event, { 'content-type': 'text/event-stream', 'x-accel-buffering': 'no' })
  const encoder = new TextEncoder()
  let over: () => void = () => undefined
  event.node.res.on('close', () => over())
  return new ReadableStream<Uint8Array>({
    start(controller) {
      let isOver = false
      const put = (text: string): void => {
        if (!isOver) controller.enqueue(encoder.encode(text))
      }
      const alive = setInterval(() => put('event: here\ndata:\n\n'), stillHere)
      const stop = begin({
        send: (data, at) => put(`${at === undefined ? '' : `id: ${at}\n`}data: ${JSON.stringify(data)}\n\n`),
        end: () => over(),
      })
      over = () => {
        if (isOver) return
        isOver = true
        clearInterval(alive)
        stop()
        controller.close()
      }
      put('retry: 1000\n\n')
    },
    cancel: () => over(),
  })
}

/** Until when the page knows what happened: the last that it heard, or when it read its class. */
export function knownUntil(event: H3Event): number {
  const said = getRequestHeader(event, 'last-event-id') ?? String(getQuery(event).since ?? '')
  const at = Number(said)
  return said === '' || !Number.isFinite(at) ? Date.now() : at
}
