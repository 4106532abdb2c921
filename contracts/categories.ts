import { z } from 'zod'
import { key, text } from '../core/text/textSchema'

const category = z.object({
  key,
  name: text(60).transform((name) => name.trim()),
  weight: z.number().min(0, 'A weight is 0 or more.').max(1_000_000),
  isExam: z.boolean(),
})

/** All categories of a subject in a class as they shall be. `was`: as the writer saw them. */
export const categoriesToWrite = z.object({
  subject: key,
  categories: z.array(category).max(40, 'No more than 40 categories.'),
  was: z.array(category).max(200),
})
export type CategoriesToWrite = z.infer<typeof categoriesToWrite>

/** How marks add up in another class: what a teacher may begin from. */
export interface CategoriesElsewhere {
  className: string
  year: string
  subject: string
  categories: { name: string; weight: number; isExam: boolean }[]
}
