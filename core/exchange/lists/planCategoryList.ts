import type { Category } from '../../marks/work'
import { nameKey } from '../../people/names'
import { keyFor } from '../../school/keyFor'
import type { CategoryColumn } from './listColumns'
import { NotTaken, planRows, type RowPlan } from './planRows'
import type { ReadList } from './readList'
import { yesOrNo } from './yesOrNo'

/**
 * What a list of categories would make of those of a class and subject. A category is known by its name; one that is
 * new weighs 1 where the list does not say.
 * @example planCategoryList(readList('Name\tWeight\nQuizzes\t30 %', categoryColumns), []).added[0]?.weight // 30
 */
export function planCategoryList(list: ReadList<CategoryColumn>, categories: readonly Category[]): RowPlan<Category> {
  const standing = new Map(categories.map((category) => [nameKey(category.name), category]))
  return planRows(list, {
    nameOf: (row) => {
      const name = row.cell('name')
      if (name === '') throw new NotTaken('There is no category in this row.')
      return { name, place: nameKey(name) }
    },
    standing: (place) => standing.get(place),
    fresh: (row, added) => ({
      key: keyFor(
        row.cell('name'),
        [...categories, ...added].map(({ key }) => key),
      ),
      name: row.cell('name'),
      weight: 1,
      isExam: false,
    }),
    said: (row, was) => ({
      ...was,
      weight: weightOf(row.cell('weight')) ?? was.weight,
      isExam: yesOrNo(row.cell('exam')) ?? was.isExam,
    }),
  })
}

function weightOf(written: string): number | null {
  const tidy = written.replace(/\s*%$/, '').replace(',', '.')
  if (tidy === '') return null
  const weight = Number(tidy)
  if (!Number.isFinite(weight) || weight < 0) throw new NotTaken(`“${written}” is no weight of 0 or more.`)
  return weight
}
