import type { LanguageRemark } from '~~/core/checks/languageRemarks'

type Answer = { id: number; remarks?: LanguageRemark[]; problem?: string }

let worker: Worker | null = null
let nextId = 0
const waiting = new Map<number, { resolve: (remarks: LanguageRemark[]) => void; reject: (error: Error) => void }>()
const known = new Map<string, Promise<LanguageRemark[]>>()

/** The worker begins when the first text is read, and never on pages that read none. */
function startWorker(): Worker {
  const made = new Worker(new URL('../workers/language.worker.ts', import.meta.url), { type: 'module' })
  made.addEventListener('message', (event: MessageEvent<Answer>) => {
    const { id, remarks, problem } = event.data
    const asked = waiting.get(id)
    waiting.delete(id)
    if (remarks) asked?.resolve(remarks)
    else asked?.reject(new Error(problem ?? 'The language check failed.'))
  })
  const tellOfKey = (): void => made.postMessage('key')
  made.addEventListener('error', () => {
    for (const { reject } of waiting.values()) reject(new Error('The language check could not be started.'))
    waiting.clear()
    // The next text is asked of a new one.
    removeEventListener('keydown', tellOfKey, { capture: true })
    made.terminate()
    worker = null
  })
  addEventListener('keydown', tellOfKey, { passive: true, capture: true })
  return made
}

/** What the spelling and grammar checker remarks on a text. The same text is read once; what failed is asked again. */
export function remarksOn(text: string): Promise<LanguageRemark[]> {
  const before = known.get(text)
  if (before) return before
  worker ??= startWorker()
  const id = nextId++
  const asked = new Promise<LanguageRemark[]>((resolve, reject) => waiting.set(id, { resolve, reject }))
  known.set(text, asked)
  asked.catch(() => known.delete(text))
  worker.postMessage({ id, text })
  return asked
}
