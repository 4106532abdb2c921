import { countGraphemes } from '../narrative/graphemes'
import { sentencesOf } from '../narrative/sentences'
import { explanations } from './explanations'
import type { Check, Mend } from './finding'
import { ofWhole } from './finding'

/** A text longer than its box. */
export const tooLong: Check = (input) => {
  const { text, box } = input
  const length = countGraphemes(text)
  if (length <= box.limit) return []
  const why = explanations['too long'](length, box.name, box.limit)
  return [ofWhole('too long', why, input, cutToFit(text, box.limit))]
}

/** Leaves out the last sentences until the text fits. */
function cutToFit(text: string, limit: number): Mend[] {
  const end = sentencesOf(text).findLast((sentence) => countGraphemes(text.slice(0, sentence.end)) <= limit)?.end
  return end === undefined ? [] : [{ label: 'Leave out what does not fit', start: end, end: text.length, text: '' }]
}
