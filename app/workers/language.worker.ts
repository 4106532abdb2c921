import { Dialect, LocalLinter } from 'harper.js'
import { slimBinary } from 'harper.js/slimBinary'
import type { LanguageRemark } from '~~/core/checks/language'

/** Reads a text for spelling and grammar, off the main thread: harper.js is sixteen megabytes of WebAssembly. */
const linter = new LocalLinter({ binary: slimBinary, dialect: Dialect.British })
const ready = linter.setup()

addEventListener('message', (event: MessageEvent<{ id: number; text: string }>) => {
  const { id, text } = event.data
  remarksOn(text).then((remarks) => postMessage({ id, remarks }), (error: unknown) => postMessage({ id, problem: String(error) }))
})

async function remarksOn(text: string): Promise<LanguageRemark[]> {
  await ready
  const lints = await linter.lint(text, { language: 'plaintext' })
  const units = unitsOf(text)
  return lints.map((lint) => {
    const span = lint.span()
    return {
      kind: lint.lint_kind(), message: lint.message(), start: units[span.start] ?? 0, end: units[span.end] ?? text.length,
      suggestions: lint.suggestions().map((suggestion) => suggestion.get_replacement_text()),
    }
  })
}

/** Where each character begins in UTF-16 units: the checker counts characters, the browser units. */
function unitsOf(text: string): number[] {
  let at = 0
  return [...[...text].map((character) => {
    const start = at
    at += character.length
    return start
  }), at]
}
