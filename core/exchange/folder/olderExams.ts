import { z } from 'zod'
import { nameKey } from '../../people/names'
import type { FolderRow } from './recordFiles'

const examCalled = z.object({ category: z.string() }).nullish()
const examsCalled = z.object({
  exam: examCalled,
  bySubject: z.record(z.string(), z.object({ exam: examCalled })).default({}),
})

/** What school.json calls the exam's category, for all subjects and for some; null where it does not. */
export const olderExams = z
  .object({ markRules: examsCalled })
  .transform(({ markRules }) => markRules)
  .nullable()
  .catch(null)

/**
 * Folders from before 0033 name the exam's category in school.json, by what it is called: their categories with that
 * name are the exam. Those of a newer folder are as they are.
 */
export function withOlderExams(
  categories: readonly FolderRow<'categories'>[],
  called: z.infer<typeof olderExams>,
): readonly FolderRow<'categories'>[] {
  if (called === null) return categories
  const examOf = (subject: string) => {
    const own = called.bySubject[subject]?.exam
    return own === undefined ? called.exam : own
  }
  return categories.map((category) => {
    const exam = examOf(category.subject)
    return exam && nameKey(exam.category) === nameKey(category.name) ? { ...category, isExam: true } : category
  })
}
