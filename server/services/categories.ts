import type { CategoriesElsewhere, CategoriesToWrite } from '../../contracts/categories'
import type { Category } from '../../core/marks/work'
import { categoryProblems } from '../../core/record/categoryProblems'
import { allow, grantsIn, needFor } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { loadCategoriesElsewhere, worksInCategories } from '../data/categories'
import { loadPlace } from '../data/places'
import { openPlace, save, setupOf, type Context, type Place } from './context'

/** Keeps how a subject's marks add up in a class; a category that work is in stays. */
export async function writeCategories(
  context: Context,
  place: Place,
  { subject, categories, was }: CategoriesToWrite,
): Promise<number | null> {
  const { grants, term } = await openPlace(context, place)
  const known = (await setupOf(context, term.yearId)).subjects.find((each) => each.key === subject)
  const need = needFor(subject)
  allow(known !== undefined && grants.changes(need), `change how marks in ${known?.name ?? 'this subject'} add up`)
  const [problem] = categoryProblems(categories, await worksInCategories(context.db, place.classId, subject))
  if (problem !== undefined) throw new Refusal('invalid', problem)
  const keys = [...new Set([...was, ...categories].map((each) => each.key))]
  const changes = keys.map((key): Change => ({
    table: 'category',
    key: { class_id: place.classId, subject, key },
    seen: row(was.find((each) => each.key === key)),
    after: row(categories.find((each) => each.key === key)),
  }))
  const action = { ...place, kind: `changed how marks in ${known?.name ?? subject} add up`, needs: [need] }
  return (await save(context, action, changes)).event
}

function row(category: Category | undefined): Row | null {
  return category ? { name: category.name, weight: category.weight, is_exam: category.isExam } : null
}

/** How marks add up in other classes, this year's before last year's, the same subject's first. */
export async function viewCategoriesElsewhere(
  { db, who }: Context,
  place: Place,
  subject: string,
): Promise<CategoriesElsewhere[]> {
  allow(grantsIn(who, (await loadPlace(db, place)).room).readsClass, 'see this class')
  return loadCategoriesElsewhere(db, { classId: place.classId, subject })
}
