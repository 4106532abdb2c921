import { headingKey } from './readRecords'

/** The languages whose months are read; those of the headings (gradebookWords.ts). */
const languages = ['en', 'de', 'fr', 'es', 'it', 'nl', 'da', 'nb', 'sv']

/** Months by name, long and short, from the ECMAScript Internationalization API (the Unicode CLDR's names). */
const months = new Map(
  languages.flatMap((language) =>
    (['long', 'short'] as const).flatMap((month) =>
      Array.from({ length: 12 }, (_, at) => {
        const name = new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' }).format(Date.UTC(2026, at, 1))
        return [headingKey(name), at + 1] as const
      }),
    ),
  ),
)

/**
 * The number of a month by its name, in full or cut short; undefined where it is none.
 * @example monthCalled('Oct.') // 10
 */
export function monthCalled(name: string): number | undefined {
  return months.get(headingKey(name))
}
