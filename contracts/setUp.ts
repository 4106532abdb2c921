import { z } from 'zod'
import { fields } from '../core/record/fields'
import { yearProblems } from '../core/terms/schoolYear'
import { neededText, text, trimmedText } from '../core/text/textSchema'
import { day } from './days'
import { staff } from './people'

/** A term's name and days. */
export const termDays = z.object({
  name: fields.termName,
  starts: day,
  ends: day,
  progressDue: day.nullable().optional(),
  commentsDue: day,
  locks: day,
})

/** A term of a new year, and which one it follows on: its weight in the year so far is carried over. */
const termOfYear = termDays.extend({ follows: z.uuid().optional() })

/** A school year with its terms, which fit each other. */
export const yearWithTerms = z
  .object({ name: text(40), starts: day, ends: day, terms: z.array(termOfYear).max(12) })
  .superRefine(({ terms, ...year }, found) => {
    for (const message of yearProblems(year, terms)) found.addIssue({ code: 'custom', message })
  })

/** What an empty school is set up with, by whoever has the key that the console printed. */
export const schoolToSetUp = z.object({
  key: z.string().max(80),
  name: neededText(120, 'Write the school’s name.'),
  place: trimmedText(120),
  year: yearWithTerms,
  /** Which of the beginnings, by its key; or the files of a school folder, by name. */
  beginning: z.union([z.string().max(40), z.record(z.string().max(80), z.string().max(2_000_000))]),
  coordinator: staff.pick({ signIn: true, given: true, family: true }),
  password: z.string().max(200, 'A password has at most 200 characters.'),
})
export type SchoolToSetUp = z.infer<typeof schoolToSetUp>

/** The demo school to throw away, named by who does it. */
export const demoToLeave = z.object({ name: trimmedText(120) })
export type DemoToLeave = z.infer<typeof demoToLeave>

/** A ready beginning, as it is offered. */
export interface Beginning {
  key: string
  title: string
  about: string
}

export interface SetUpAnswer {
  /** Whether there is no school yet. */
  needed: boolean
  /** Whether the school that is here is the demo. */
  demo: boolean
  beginnings: Beginning[]
}

/** A year to make from another: its set-up is carried over, and so are the classes and students that are named. */
export const yearToMake = z.object({
  from: z.uuid(),
  year: yearWithTerms,
  classes: z
    .array(
      z.object({
        from: z.uuid(),
        name: fields.className,
        /** Who goes on into it, in the order of the list. */
        students: z.array(z.uuid()).max(400),
      }),
    )
    .max(200),
})
export type YearToMake = z.infer<typeof yearToMake>

/** The school's years, oldest first, and the classes of one with their students: what a next one is made from. */
export interface YearsAnswer {
  years: { id: string; name: string }[]
  /** Whether this is the demo school, which can be thrown away. */
  demo: boolean
}

export interface YearToFollow {
  /** Home classes, then groups, which have a subject. */
  classes: {
    id: string
    name: string
    subject: string | null
    students: { id: string; name: string; gradeLevel: string }[]
  }[]
}
