import type { LanguageRemark } from './languageRemarks'

/** What harper.js says of a place in a text. */
interface Lint {
  message(): string
  /** Counted in characters. */
  span(): { start: number; end: number }
  suggestions(): { get_replacement_text(): string }[]
}

/**
 * What a language checker says, rule by rule, as remarks in the units in which a browser counts.
 * @param lints by the checker's name for the rule
 * @example remarksOf({ SpellCheck: [lint of 'teh'] }, 'It is teh one.') // one remark, from 6 to 9
 */
export function remarksOf(lints: Readonly<Record<string, readonly Lint[]>>, text: string): LanguageRemark[] {
  const units = unitsOf(text)
  return Object.entries(lints).flatMap(([rule, found]) =>
    found.map((lint) => ({
      rule,
      message: lint.message(),
      start: units[lint.span().start] ?? 0,
      end: units[lint.span().end] ?? text.length,
      suggestions: lint.suggestions().map((suggestion) => suggestion.get_replacement_text()),
    })),
  )
}

/** Where each character begins in UTF-16 units. */
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
