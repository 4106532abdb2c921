import type { Finding, Mend } from './finding'

/** A remark of a spelling and grammar checker, as far as Facunda looks at it. */
export interface LanguageRemark {
  readonly kind: string
  readonly message: string
  readonly start: number
  readonly end: number
  readonly suggestions: readonly string[]
}

/** Remarks on style and taste: a teacher's own way of writing is not a fault. */
const taste = /^(Style|Enhancement|WordChoice|Readability|Miscellaneous|Formatting|Regionalism|Redundancy)$/i

/**
 * A language checker's remarks as findings. The class's names and the school's words are spelled right by definition.
 * @param known names and words, in any case
 * @example
 * languageFindings([{ kind: 'Spelling', message: 'Did you mean “read”?', start: 5, end: 8, suggestions: ['read'] }],
 *   'Maya rad.', new Set(['maya'])) // one finding “spelling” with the mend “Write “read””
 */
export function languageFindings(
  remarks: readonly LanguageRemark[],
  text: string,
  known: ReadonlySet<string>,
): Finding[] {
  return remarks
    .filter((remark) => !taste.test(remark.kind) && !isKnown(text.slice(remark.start, remark.end), known))
    .map(({ kind, message, start, end, suggestions }) => ({
      check: /spell/i.test(kind) ? 'spelling' : 'grammar',
      why: message,
      start,
      end,
      mends: suggestions
        .slice(0, 3)
        .map((words): Mend => ({ label: words === '' ? 'Leave it out' : `Write “${words}”`, start, end, text: words })),
    }))
}

function isKnown(words: string, known: ReadonlySet<string>): boolean {
  const bare = words.toLocaleLowerCase('en').replace(/[’']s?$/, '')
  return known.has(bare) || bare.split('-').every((part) => known.has(part))
}
