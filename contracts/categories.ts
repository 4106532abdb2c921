import { z } from 'zod'
import { fields } from '../core/record/fields'
import { key } from '../core/text/textSchema'

const category = z.object({
  key,
  name: fields.categoryName,
  weight: fields.weight,
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
