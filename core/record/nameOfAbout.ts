import type { SchoolSetup } from '../school/schoolSetup'
import { nameOfStrand } from '../school/strand'

/**
 * What a part of a comment speaks of, as people call it: habits and strands are known to plans and phrases by key.
 * @param subject the key of the subject that the comment is about; null for the general one
 * @example nameOfAbout(setup, null, 'keeping-going') // 'Keeping going'
 * @example nameOfAbout(setup, 'mathematics', 'Number') // 'Numbers', since that is what the strand is called now
 * @example nameOfAbout(setup, null, 'care + keeping-going') // 'Taking care, Keeping going', told together
 */
export function nameOfAbout(
  { habits, subjects, skills }: Pick<SchoolSetup, 'habits' | 'subjects' | 'skills'>,
  subject: string | null,
  about: string,
): string {
  const own = subjects.find(({ key }) => key === subject)
  const nameOf = (key: string): string =>
    habits.find((habit) => habit.key === key)?.name ??
    skills.find((skill) => skill.id === key && skill.subject === subject)?.statement ??
    nameOfStrand(own, key)
  return about.split(' + ').map(nameOf).join(', ')
}
