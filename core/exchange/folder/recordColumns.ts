import { z } from 'zod'
import { readGrades, writeGrades, type GradeRange } from '../../people/gradeRange'
import { text } from '../../text/textSchema'

/** A column of a file: its heading, how a cell is read and checked, and how a value is written. */
export interface Column<Value> {
  readonly heading: string
  readonly cell: z.ZodType<Value, string>
  write(value: Value): string
  /** True for what folders from before did not have: without the column, all its cells are empty. */
  readonly newer?: boolean
}

/** Words of at most so many characters, as a cell has them: without blanks around them. */
export function words(heading: string, most: number): Column<string> {
  return { heading, cell: text(most), write: (value) => value }
}

/** Words that must be there. */
export function needed(heading: string, most: number): Column<string> {
  return { heading, cell: text(most).pipe(z.string().min(1, 'This cell is empty.')), write: (value) => value }
}

/** Words, or nothing at all (null). */
export function perhaps(heading: string, most: number): Column<string | null> {
  return { heading, cell: text(most).transform((written) => written || null), write: (value) => value ?? '' }
}

/** One of a few words. */
export function oneOf<Word extends string>(heading: string, choices: readonly Word[]): Column<Word> {
  const cell = z.string().transform((written, found) => {
    const choice = choices.find((each) => each === written.toLocaleLowerCase('en'))
    if (choice === undefined) found.addIssue({ code: 'custom', message: `It is none of: ${choices.join(', ')}.` })
    return choice ?? z.NEVER
  })
  return { heading, cell, write: (value) => value }
}

/** @example saysYes('Yes') // true; saysYes('') // false */
export function saysYes(written: string): boolean {
  return /^(yes|y|true|x|1)$/i.test(written)
}

/** Yes, or an empty cell. */
export function yesOrNothing(heading: string): Column<boolean> {
  const cell = z.string().transform(saysYes)
  return { heading, cell, write: (value) => (value ? 'yes' : '') }
}

/** Yes or no, one of which must be said. */
export function yesOrNo(heading: string): Column<boolean> {
  const cell = oneOf(heading, ['yes', 'no']).cell.transform((written) => written === 'yes')
  return { heading, cell, write: (value) => (value ? 'yes' : 'no') }
}

/** A text of a field that has bounds of its own. */
export function textIn(heading: string, field: z.ZodType<string, string>): Column<string> {
  return { heading, cell: field, write: (value) => value }
}

/** A number of a field that has bounds of its own. */
export function numberIn(heading: string, field: z.ZodType<number, number>): Column<number> {
  const cell = z
    .string()
    .transform((written, found) => {
      if (written !== '' && Number.isFinite(Number(written))) return Number(written)
      found.addIssue({ code: 'custom', message: 'It is no number.' })
      return z.NEVER
    })
    .pipe(field)
  return { heading, cell, write: String }
}

/** The same, or an empty cell (null). */
export function orNothing<Value>({ heading, cell, write }: Column<Value>): Column<Value | null> {
  const orEmpty = z.string().transform((written, found) => {
    const read = written === '' ? null : cell.safeParse(written)
    for (const issue of read?.error?.issues ?? []) found.addIssue({ code: 'custom', message: issue.message })
    return read?.data ?? null
  })
  return { heading, cell: orEmpty, write: (value) => (value === null ? '' : write(value)) }
}

/** A number from one to another, both included. */
export function numberFrom(heading: string, least: number, most: number): Column<number> {
  const wrong = `It is no number from ${least} to ${most}.`
  const cell = z
    .string()
    .transform((written) => (written === '' ? Number.NaN : Number(written)))
    .pipe(z.number(wrong).min(least, wrong).max(most, wrong))
  return { heading, cell, write: String }
}

/** A range of grades; an empty cell for all. */
export function gradesOrAll(heading: string): Column<GradeRange | null> {
  const cell = z.string().transform((written, found) => {
    const grades = readGrades(written)
    if (grades === undefined) found.addIssue({ code: 'custom', message: 'It is no range of grades, as in 4-6.' })
    return grades ?? null
  })
  return { heading, cell, write: writeGrades }
}

/**
 * What has parts of its own, as JSON; an empty cell where it is `empty`.
 * @example json('settings', settings, {}).write({}) // ''; of { paper: 'dark' } '{"paper":"dark"}'
 */
export function json<Value>(heading: string, schema: z.ZodType<Value>, empty: Value): Column<Value> {
  const cell = z.string().transform((written, found) => {
    if (written === '') return empty
    try {
      return schema.parse(JSON.parse(written))
    } catch {
      found.addIssue({ code: 'custom', message: 'It is not as Facunda writes it.' })
      return z.NEVER
    }
  })
  const nothing = JSON.stringify(empty)
  const write = (value: Value): string => {
    const written = JSON.stringify(value)
    return written === nothing ? '' : written
  }
  return { heading, cell, write }
}

/**
 * A text to the letter: one that a cell would not keep (blanks around it, line ends of the old kind, a quotation mark
 * in front) stands there as JSON, in quotes.
 * @example exactText('remark', text(99)).write(' late ') // '" late "'; of 'late' it is 'late'
 */
export function exactText(heading: string, field: z.ZodType<string, string>): Column<string> {
  const cell = z
    .string()
    .transform((written, found) => {
      if (!written.startsWith('"')) return written
      const read = z.string().safeParse(parsed(written))
      if (!read.success) found.addIssue({ code: 'custom', message: 'A quotation mark is never closed.' })
      return read.data ?? ''
    })
    .pipe(field)
  const write = (value: string): string =>
    value !== value.trim() || /^"|\r/.test(value) ? JSON.stringify(value) : value
  return { heading, cell, write }
}

function parsed(written: string): unknown {
  try {
    return JSON.parse(written)
  } catch {
    return undefined
  }
}
