import { z } from 'zod'
import { gradeRange, includesGrade, readGrades, writeGrades, type GradeRange } from './gradeRange'

/** What holds in some grades in place of what holds in all. */
export type ByGrade<Value> = readonly { readonly grades: GradeRange; readonly is: Value }[]

/** So much may hold in some grades. */
export function byGradeSchema<Value>(value: z.ZodType<Value>) {
  return z.array(z.object({ grades: gradeRange.unwrap(), is: value })).max(20)
}

/**
 * The grade by which a class goes: of several the lowest; null where none is a number.
 * @example gradeOfClass(['5', '4', '5']) // '4'
 */
export function gradeOfClass(grades: readonly string[]): string | null {
  const numbers = grades.filter((grade) => /^\d+$/.test(grade)).map(Number)
  return numbers.length === 0 ? null : String(Math.min(...numbers))
}

/**
 * What holds in a grade: of two that do, the one that stands first.
 * @example inGrade([{ grades: { from: 1, to: 3 }, is: 200 }], '2', 500) // 200; in grade 4, and in none, 500
 */
export function inGrade<Value>(rules: ByGrade<Value> | undefined, grade: string | null, otherwise: Value): Value {
  const rule = grade === null ? undefined : rules?.find(({ grades }) => includesGrade(grades, grade))
  return rule ? rule.is : otherwise
}

/**
 * Rules as a cell has them.
 * @example writeByGrade([{ grades: { from: 1, to: 3 }, is: 200 }]) // '1-3: 200'
 */
export function writeByGrade(rules: ByGrade<string | number> | undefined): string {
  return (rules ?? []).map(({ grades, is }) => `${writeGrades(grades)}: ${is}`).join('; ')
}

/**
 * The inverse of writeByGrade. @returns undefined when a rule cannot be read
 *
 * @example readByGrade('1-3: 200; 4: 250', Number) // 200 in grades 1 to 3, 250 in grade 4
 */
export function readByGrade<Value>(
  written: string,
  valueOf: (text: string) => Value | undefined,
): ByGrade<Value> | undefined {
  const rules = written
    .split(';')
    .filter((rule) => rule.trim() !== '')
    .map((rule) => {
      const [, range = '', text = ''] = /^([^:]*):(.*)$/.exec(rule) ?? []
      const [grades, is] = [readGrades(range), valueOf(text.trim())]
      return grades && is !== undefined ? { grades, is } : undefined
    })
  return rules.every((rule) => rule !== undefined) ? rules : undefined
}
