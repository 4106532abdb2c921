import { z } from 'zod'
import { gradeRange } from '../core/people/gradeRange'
import { fields } from '../core/record/fields'
import { text } from '../core/text/textSchema'
import { inOrder, outOfOrder, stay } from './days'

/** Somebody of the staff, as the coordinator keeps them. */
export const staff = z.object({
  signIn: fields.signIn,
  given: fields.givenName,
  family: fields.familyName,
  role: z.enum(['teacher', 'coordinator']),
  /** The grades that a coordinator coordinates; null for the whole school, and for a teacher. */
  grades: gradeRange,
  switchedOff: z.boolean(),
})
export type Staff = z.infer<typeof staff>

/** A person as they shall be. `was`: as the writer saw them; null for somebody new. */
export const personToWrite = z.object({ id: z.uuid(), person: staff, was: staff.nullable() })
export type PersonToWrite = z.infer<typeof personToWrite>

/** Several at once, whole or not at all. */
export const peopleToWrite = z.object({ people: z.array(personToWrite).min(1).max(400) })

/**
 * What somebody teaches: a subject in a class, or the class as its home teacher (a null subject). A second reader reads
 * it and changes nothing.
 */
const lesson = z
  .object({
    personId: z.uuid(),
    classId: z.uuid(),
    subject: text(80).nullable(),
    secondReader: z.boolean(),
    ...stay,
  })
  .refine(inOrder, outOfOrder)
export type Lesson = z.infer<typeof lesson>

/** Teaching to give or to take away. */
export const teachingToWrite = z.object({ id: z.uuid(), lesson: lesson.nullable(), was: lesson.nullable() })
export type TeachingToWrite = z.infer<typeof teachingToWrite>

/** A password that somebody chooses. */
export const passwordToChoose = z.object({ password: z.string().max(200, 'A password has at most 200 characters.') })

/** How far somebody is: has a password, holds a link to choose one, or has neither (any more). */
export type Entry = 'has a password' | 'invited' | 'not invited'

export interface StaffMember extends Staff {
  id: string
  entry: Entry
  /** When the link ends, as an ISO time; null where there is none. */
  linkEnds: string | null
  /** What they teach or read, in the year that is looked at; ended teaching too. */
  teaching: ({ id: string } & Omit<Lesson, 'personId'>)[]
}

export interface PeopleAnswer {
  people: StaffMember[]
  /** A group has a subject, and nothing else is taught there. */
  classes: { id: string; name: string; subject: string | null }[]
  subjects: { key: string; name: string }[]
  year: string
}

/** A link with which a password can be chosen once. */
export interface InvitationAnswer {
  path: string
  /** ISO time. */
  ends: string
}

/** Whom a link is for. */
export interface WelcomeAnswer {
  given: string
  signIn: string
  school: string
}
