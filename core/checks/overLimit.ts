import { countGraphemes } from '../narrative/graphemes'
import type { Check } from './finding'

/** A text longer than its box. */
export const overLimit: Check = ({ comment, box }) => {
  const length = countGraphemes(comment?.text ?? '')
  return length <= box.limit ? [] : [{ check: 'too long', why: `${length} characters; ${box.name} holds ${box.limit}.`, start: 0, end: comment?.text.length ?? 0 }]
}
