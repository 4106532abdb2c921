import { explanations } from './explanations'
import type { Check, CheckInput } from './finding'
import { ofWhole } from './finding'

/** A box in which nothing is written, of a child without a mark there. */
export const empty: Check = (input) => {
  const { text, student, box } = input
  if (text.trim() !== '' || isMarked(input)) return []
  return [ofWhole('empty', explanations.empty(student.usedName, box.name), input)]
}

/** Whether a mark is settled where a box is about a subject. */
export function isMarked({ index, student, box }: Pick<CheckInput, 'index' | 'student' | 'box'>): boolean {
  return box.subject !== null && index.markOf(student.id, box.subject) !== undefined
}
