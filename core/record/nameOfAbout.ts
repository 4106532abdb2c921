import type { Habit } from '../school/schoolSetup'

/**
 * What a part of a comment speaks of, as people call it: a habit is known to plans and phrases by its key.
 * @example nameOfAbout([{ key: 'keeping-going', name: 'Keeping going', … }], 'keeping-going') // 'Keeping going'
 * @example nameOfAbout(habits, 'Number') // 'Number', a strand
 * @example nameOfAbout(habits, 'care + keeping-going') // 'Taking care, Keeping going', told together
 */
export function nameOfAbout(habits: readonly Pick<Habit, 'key' | 'name'>[], about: string): string {
  const nameOf = (key: string): string => habits.find((habit) => habit.key === key)?.name ?? key
  return about.split(' + ').map(nameOf).join(', ')
}
