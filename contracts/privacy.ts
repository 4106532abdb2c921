import { z } from 'zod'
import { trimmedText } from '../core/text/textSchema'
import { fields } from '../core/record/fields'
import { noneTwice } from './text'

/** Somebody who is told of a child. Of two families, each is its own household. */
export const contact = z.object({
  name: fields.contactName,
  relation: fields.relation,
  household: fields.household,
  email: fields.mail,
  /** The language that they are written to in. */
  language: fields.language,
  /** Whether reports go to them. */
  told: z.boolean(),
  position: z.number().int().min(0).max(99),
})
export type Contact = z.infer<typeof contact>

/** A contact to keep or to take away. `was`: as the writer saw it; null for a new one. */
const contactToWrite = z.object({
  id: z.uuid(),
  studentId: z.uuid(),
  contact: contact.nullable(),
  was: contact.nullable(),
})
export type ContactToWrite = z.infer<typeof contactToWrite>

/** Several at once, whole or not at all. */
export const contactsToWrite = z.object({
  contacts: noneTwice(contactToWrite, 1000, (each) => each.id).min(1),
})

/** A child to erase: why, and the school number once more. */
export const studentToErase = z.object({
  reason: trimmedText(400).pipe(z.string().min(1, 'Write why this child’s data is erased.')),
  schoolNumber: trimmedText(40),
})
export type StudentToErase = z.infer<typeof studentToErase>

/** Who looked at a child's class on a day. */
export interface Opening {
  /** ISO date. */
  day: string
  by: string
  className: string
  term: string
  times: number
}

/** What the coordinator looks after for one child. */
export interface StudentPrivacy {
  id: string
  schoolNumber: string
  name: string
  contacts: ({ id: string } & Contact)[]
  /** Newest first; of as many days as the school keeps them. */
  openings: Opening[]
}

/** What somebody of the staff may do, as the rules themselves say; each row a thing, each cell one of the people. */
export interface RightsAnswer {
  people: string[]
  rows: { what: string; reads: boolean[]; changes: boolean[] }[]
  /** What is kept for a time only: for how many days, how many there are, and since which day (null for none). */
  kept: Record<RetainedKind, { days: number; count: number; since: string | null }>
  /** Whose data was erased is not kept; that it was, when, by whom and why. */
  erasures: { day: string; by: string; reason: string }[]
}

/**
 * What a school keeps for a time only: who opened which class, files that were brought and not taken in, files
 * taken in, reports that were made, and what was changed, which can be undone as long.
 */
export const retainedKinds = ['openings', 'filesLeft', 'filesTaken', 'reports', 'events'] as const
export type RetainedKind = (typeof retainedKinds)[number]

const keptDays = z.number().int().min(1, 'Keep at least a day.').max(3660, 'Keep no more than ten years.')
const keptFor = z.object({
  openings: keptDays,
  filesLeft: keptDays,
  filesTaken: keptDays,
  reports: keptDays,
  events: keptDays,
}) satisfies z.ZodType<Record<RetainedKind, number>>
export type RetentionDays = z.infer<typeof keptFor>

/** For how many days each of it is kept. `was`: as the writer saw it. */
export const retentionRule = z.object({ days: keptFor, was: keptFor })
export type RetentionRule = z.infer<typeof retentionRule>
