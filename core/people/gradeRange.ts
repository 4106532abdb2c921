import { z } from 'zod'

const grade = z.number().int().min(0).max(13)

/** Grades from one to another, both included; null for all. */
export const gradeRange = z
  .object({ from: grade, to: grade })
  .refine(({ from, to }) => from <= to, 'A range of grades runs from the lower to the higher.')
  .nullable()
export type GradeRange = Readonly<NonNullable<z.infer<typeof gradeRange>>>

/**
 * Whether a student's grade lies in a range. A grade that is no number lies in none.
 * @example includesGrade({ from: 4, to: 6 }, '5') // true
 */
export function includesGrade({ from, to }: GradeRange, gradeLevel: string): boolean {
  return /^\d+$/.test(gradeLevel) && Number(gradeLevel) >= from && Number(gradeLevel) <= to
}

/**
 * Reads a grade range, as in "4-6" or "5"; null for all grades. @returns undefined when it is no such thing
 *
 * @example readGrades('3-5') // { from: 3, to: 5 }
 */
export function readGrades(written: string): GradeRange | null | undefined {
  const tidy = written.trim()
  if (tidy === '') return null
  const [, from, to = from] = /^(\d{1,2})(?:\s*[-–]\s*(\d{1,2}))?$/.exec(tidy) ?? []
  if (from === undefined || to === undefined || Number(from) > Number(to)) return undefined
  return { from: Number(from), to: Number(to) }
}

/**
 * The inverse of readGrades.
 * @example writeGrades({ from: 4, to: 6 }) // '4-6'
 */
export function writeGrades(grades: GradeRange | null): string {
  if (!grades) return ''
  return grades.from === grades.to ? String(grades.from) : `${grades.from}-${grades.to}`
}
