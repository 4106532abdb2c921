import { nameKey } from '../people/names'
import type { Category } from '../marks/work'

/**
 * What is wrong with the categories of a subject, in words; nothing where they can be kept. Weights are relative: they
 * need not add up to 100, but to something.
 * @param inUse how many pieces of work are in a category, by its key
 * @example categoryProblems([{ key: 'quiz', name: 'Quizzes', weight: 0, isExam: false }], new Map())
 * // ['The weights add up to nothing, so that there would be no mark.']
 */
export function categoryProblems(categories: readonly Category[], inUse: ReadonlyMap<string, number>): string[] {
  const names = categories.map(({ name }) => nameKey(name))
  const keys = new Set(categories.map(({ key }) => key))
  const gone = [...inUse].filter(([key, count]) => count > 0 && !keys.has(key))
  return [
    ...categories.flatMap(({ name }, at) => {
      if (name.trim() === '') return ['A category needs a name.']
      return names.indexOf(nameKey(name)) === at ? [] : [`There are two categories “${name}”.`]
    }),
    ...categories.flatMap(({ name, weight }) =>
      Number.isFinite(weight) && weight >= 0 ? [] : [`The weight of “${name}” is no number of 0 or more.`],
    ),
    ...(categories.length > 0 && categories.every(({ weight }) => weight === 0)
      ? ['The weights add up to nothing, so that there would be no mark.']
      : []),
    ...gone.map(([key, count]) => {
      const are = count === 1 ? 'piece of work is' : 'pieces of work are'
      return `${count} ${are} in “${key}”, which can weigh 0 but not go.`
    }),
  ]
}
