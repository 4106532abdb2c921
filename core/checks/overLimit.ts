import { farUnder } from '../narrative/boxes'
import { countGraphemes } from '../narrative/graphemes'
import { sentencesOf } from '../narrative/sentences'
import type { Check, Mend } from './finding'
import { ofWhole } from './finding'

/** A text longer than its box, or one that leaves it almost empty. */
export const overLimit: Check = (input) => {
  const { text, box } = input
  const length = countGraphemes(text)
  if (length > box.limit)
    return [
      ofWhole('too long', `${length} characters; ${box.name} holds ${box.limit}.`, input, cutToFit(text, box.limit)),
    ]
  if (text.trim() !== '' && length < box.limit * farUnder)
    return [ofWhole('very short', `${length} characters in a box for ${box.limit}.`, input)]
  return []
}

/** Leaves out the last sentences until the text fits. */
function cutToFit(text: string, limit: number): Mend[] {
  const end = sentencesOf(text).findLast((sentence) => countGraphemes(text.slice(0, sentence.end)) <= limit)?.end
  return end === undefined ? [] : [{ label: 'Leave out what does not fit', start: end, end: text.length, text: '' }]
}
