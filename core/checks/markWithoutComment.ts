import { isMarked } from './empty'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole } from './finding'

/** A mark without a word about it. */
export const markWithoutComment: Check = (input) => {
  const { text, student, box } = input
  if (text.trim() !== '' || !isMarked(input)) return []
  return [ofWhole('mark without comment', explanations['mark without comment'](student.usedName, box.name), input)]
}
