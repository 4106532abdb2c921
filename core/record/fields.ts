import { z } from 'zod'
import { isLanguageTag } from '../people/languageTag'
import { readPronouns } from '../people/pronouns'
import { neededText, text, trimmedText } from '../text/textSchema'
import { halfDay, mostDays } from './attendanceProblem'

/**
 * What each field of a record may hold: one definition for what is typed and sent, for gradebook files, bundles and the
 * school folder. The database refuses what a door forgot (migration 0034), in the same bounds.
 */
export const bounds = {
  workTitle: 200,
  categoryName: 80,
  remark: 2000,
  questionWords: 500,
  personName: 120,
  schoolNumber: 40,
  className: 60,
  gradeLevel: 20,
  note: 2000,
  comment: 20_000,
  outOf: { least: 0.01, most: 100_000 },
  weight: { least: 0, most: 1_000_000 },
  practised: { least: 0, most: 1_000_000 },
  day: { first: '1900-01-01', last: '2199-12-31' },
} as const

const { outOf, weight, practised, day } = bounds
const within = ({ least, most }: { least: number; most: number }, what: string) => {
  const message = `${what} is a number from ${least} to ${most.toLocaleString('en')}.`
  return z.number(message).min(least, message).max(most, message)
}

export const fields = {
  /** An ISO date of a time in which there are schools like this. */
  day: z.iso
    .date('Write a day as 2026-08-31.')
    .refine((date) => date >= day.first && date <= day.last, 'Write a day between 1900 and 2199.'),
  signIn: neededText(80, 'Write a sign-in name.'),
  givenName: neededText(bounds.personName, 'A name is needed.'),
  familyName: trimmedText(bounds.personName),
  schoolNumber: neededText(bounds.schoolNumber, 'A student needs a school number.'),
  pronouns: trimmedText(120).refine(
    (written) => readPronouns(written) !== undefined,
    'Write pronouns as she/her, he/him, they/them, name only, or all five cases.',
  ),
  className: neededText(bounds.className, 'Write what the class is called.'),
  gradeLevel: trimmedText(bounds.gradeLevel),
  contactName: neededText(120, 'Write a name.'),
  /** What a contact is to the child, in the school's words. */
  relation: trimmedText(60),
  household: within({ least: 1, most: 9 }, 'A household').int(),
  mail: z.union([z.literal(''), z.email('This is no mail address.').max(200)]),
  /** A language tag (BCP 47, ISO 639); "" for the school's. */
  language: trimmedText(35).refine(
    (tag) => tag === '' || isLanguageTag(tag),
    'Write a language as a tag: en, pt-BR, ar.',
  ),
  termName: neededText(80, 'Each term needs a name.'),
  categoryName: trimmedText(bounds.categoryName),
  workTitle: neededText(bounds.workTitle, 'Write what the work is called.'),
  outOf: within(outOf, 'The most that can be reached'),
  weight: within(weight, 'A weight'),
  remark: text(bounds.remark),
  /** No more than its work is out of, which is looked at beside it. */
  score: within({ least: 0, most: outOf.most }, 'A score'),
  /** What a record added up to when a mark was settled. */
  proposed: z.number().min(0, 'What was proposed is not below 0.'),
  questionWords: trimmedText(bounds.questionWords),
  /** What is settled for a mark, in per cent; above 100 only where a school gives extra credit. */
  percent: z.number().min(0, 'A mark is not below 0.').max(120, 'A mark is not above 120 %.'),
  reason: text(300, 'Keep the reason under 300 characters.'),
  symbol: neededText(12, 'A level is missing.'),
  days: within({ least: 0, most: mostDays }, 'What is counted in days').multipleOf(halfDay),
  times: within({ least: 0, most: mostDays }, 'What is counted in times').int(),
  note: text(bounds.note),
  program: neededText(80, 'Say which program this is from.'),
  practiceName: neededText(200, 'Say which week, goal or score it is.'),
  practised: within(practised, 'What was practised'),
  comment: text(bounds.comment),
} as const

/**
 * Why a value does not fit a field, in words; null where it does.
 * @example fieldProblem(fields.outOf, 1e9) // 'The most that can be reached is a number from 0.01 to 100,000.'
 */
export function fieldProblem<Value>(field: z.ZodType<unknown, Value>, value: Value): string | null {
  return field.safeParse(value).error?.issues[0]?.message ?? null
}
