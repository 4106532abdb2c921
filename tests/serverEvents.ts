/** A stream of server-sent events that is being read. */
export interface ServerEvents<T> {
  /** Message by message, as the JSON that it is here; ends with the stream. */
  readonly messages: AsyncGenerator<T>
  readonly stop: () => void
}

/** Reads a stream of server-sent events. */
export function serverEvents<T>(body: ReadableStream<Uint8Array>): ServerEvents<T> {
  const reader = body.getReader()
  return {
    messages: messagesOf<T>(reader),
    stop: () => {
      reader.cancel().catch(() => undefined)
    },
  }
}

async function* messagesOf<T>(reader: ReadableStreamDefaultReader<Uint8Array>): AsyncGenerator<T> {
  const decoder = new TextDecoder()
  let text = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return
    text += decoder.decode(value, { stream: true })
    const messages = text.split('\n\n')
    text = messages.pop() ?? ''
    for (const message of messages) {
      const data = message.split('\n').find((line) => line.startsWith('data: '))
      if (data) yield JSON.parse(data.slice('data: '.length)) as T
    }
  }
}
