import { z } from 'zod'
import { fields } from '../core/record/fields'
import { text } from '../core/text/textSchema'
import { day, stay } from './days'
import { termDays } from './setUp'

/** A term to keep or to take away. `was`: as the writer saw it; null for a new one. */
export const termToWrite = z.object({ id: z.uuid(), term: termDays.nullable(), was: termDays.nullable() })
export type TermToWrite = z.infer<typeof termToWrite>

/** A class to keep or to take away; a group has a subject, which it is made with and keeps. */
export const classToWrite = z.object({
  id: z.uuid(),
  name: fields.className.nullable(),
  was: fields.className.nullable(),
  subject: text(80).pipe(z.string().min(1)).nullable().default(null),
})
export type ClassToWrite = z.infer<typeof classToWrite>

/** A student as a class list has them; pronouns as they are written: "she/her", "name only", five cases. */
export const listedStudent = z.object({
  schoolNumber: fields.schoolNumber,
  legalGiven: fields.givenName,
  usedName: fields.givenName,
  family: fields.familyName,
  pronouns: fields.pronouns,
  gradeLevel: fields.gradeLevel,
  /** From when to when in this class. */
  ...stay,
})
export type ListedStudent = z.infer<typeof listedStudent>

/** Students to take into a class, to change, or to take out of it. */
export const studentsToWrite = z.object({
  students: z
    .array(
      z.object({
        id: z.uuid(),
        student: listedStudent.nullable(),
        was: listedStudent.nullable(),
        position: z.number().int().min(0).max(10_000),
      }),
    )
    .min(1)
    .max(400),
})
export type StudentsToWrite = z.infer<typeof studentsToWrite>

/**
 * A student who leaves a class: the last day there, and the class they go to from the day after, if any. `was`: from
 * when to when the writer saw them there.
 */
export const studentToMove = z.object({
  studentId: z.uuid(),
  lastDay: day,
  to: z.uuid().nullable(),
  was: z.object(stay),
})
export type StudentToMove = z.infer<typeof studentToMove>

export interface ClassesAnswer {
  year: { id: string; name: string; starts: string; ends: string }
  terms: ({ id: string } & z.infer<typeof termDays>)[]
  /** Home classes, then groups, which have a subject. */
  classes: { id: string; name: string; subject: string | null; students: number }[]
}

export interface RosterAnswer {
  name: string
  /** A group's subject; null for a home class. */
  subject: string | null
  students: ({ id: string; position: number } & ListedStudent)[]
}
