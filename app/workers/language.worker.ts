import { Dialect, LocalLinter } from 'harper.js'
import { slimBinary } from 'harper.js/slimBinary'
import type { LanguageRemark } from '~~/core/checks/language'

/** Reads a text for spelling and grammar, off the main thread: harper.js is sixteen megabytes of WebAssembly. */
const linter = new LocalLinter({ binary: slimBinary, dialect: Dialect.British })
const ready = linter.setup()

interface Asked {
  id: number
  text: string
}

/** Milliseconds. */
const longestRest = 200

const waiting: Asked[] = []
let reading = false

addEventListener('message', (event: MessageEvent<Asked>) => {
  waiting.push(event.data)
  if (!reading) void readAll()
})

/**
 * The text that was asked for last comes first: it is the one in view. After each the cores are left to others for
 * about as long.
 */
async function readAll(): Promise<void> {
  reading = true
  for (let next = waiting.pop(); next; next = waiting.pop()) {
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
  const lints = await linter.lint(text, { language: 'plaintext' })
  const units = unitsOf(text)
  return lints.map((lint) => {
    const span = lint.span()
    return {
      kind: lint.lint_kind(),
      message: lint.message(),
      start: units[span.start] ?? 0,
      end: units[span.end] ?? text.length,
      suggestions: lint.suggestions().map((suggestion) => suggestion.get_replacement_text()),
    }
  })
}

/** Where each character begins in UTF-16 units: the checker counts characters, the browser units. */
function unitsOf(text: string): number[] {
  let at = 0
  return [
    ...[...text].map((character) => {
      const start = at
      at += character.length
      return start
    }),
    at,
  ]
}
