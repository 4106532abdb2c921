import { Dialect, LocalLinter } from 'harper.js'
import { slimBinary } from 'harper.js/slimBinary'
import type { LanguageRemark } from '~~/core/checks/languageRemarks'
import { remarksOf } from '~~/core/checks/remarksOf'

/** Reads a text for spelling and grammar, off the main thread: harper.js is sixteen megabytes of WebAssembly. */
const linter = new LocalLinter({ binary: slimBinary, dialect: Dialect.British })
const ready = linter.setup()

interface Asked {
  id: number
  text: string
}

/** Milliseconds. */
const longestRest = 200
/** Milliseconds for which nothing new is begun after a key was pressed: what is typed comes first. */
const restOfKeys = 300

const waiting: Asked[] = []
let reading = false
let keyAt = -restOfKeys

addEventListener('message', (event: MessageEvent<Asked | 'key'>) => {
  if (event.data === 'key') {
    keyAt = performance.now()
    return
  }
  waiting.push(event.data)
  if (!reading) void readAll()
})

/**
 * The text that was asked for last comes first: it is the one in view. After each the cores are left to others for
 * about as long.
 */
async function readAll(): Promise<void> {
  reading = true
  while (waiting.length > 0) {
    const wait = keyAt + restOfKeys - performance.now()
    if (wait > 0) {
      await new Promise((rested) => setTimeout(rested, wait))
      continue
    }
    const next = waiting.pop()
    if (!next) break
    const { id, text } = next
    const begun = performance.now()
    await remarksOn(text).then(
      (remarks) => postMessage({ id, remarks }),
      (error: unknown) => postMessage({ id, problem: String(error) }),
    )
    const took = performance.now() - begun
    await new Promise((rested) => setTimeout(rested, waiting.length > 0 ? Math.min(took, longestRest) : 0))
  }
  reading = false
}

async function remarksOn(text: string): Promise<LanguageRemark[]> {
  await ready
  return remarksOf(await linter.organizedLints(text, { language: 'plaintext' }), text)
}
