/** What can be settled in place of a level or a mark, with what is printed for it. */
export const specialValues = {
  'not assessed': 'NA',
  'absent': 'ABS',
  'incomplete': 'INC',
} as const

export type SpecialValue = keyof typeof specialValues

const names = Object.keys(specialValues) as SpecialValue[]

/**
 * Reads "NA", "abs", "incomplete" and the like; undefined when it is none of them.
 *
 * @example readSpecial('na') // 'not assessed'
 */
export function readSpecial(typed: string): SpecialValue | undefined {
  const wanted = typed.trim().toLocaleLowerCase('en')
  return names.find((name) => name === wanted || specialValues[name].toLocaleLowerCase('en') === wanted)
}
