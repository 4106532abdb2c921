import type { Check } from './finding'

/** A blank that was never filled in, or notation left over: {…}, [name], ____, XXX. */
export const blankLeft: Check = ({ comment }) =>
  [...(comment?.text ?? '').matchAll(/[{}]|\[[^\]]*\]|_{2,}|\bX{2,}\b|\.{4,}/g)].map((match) => ({
    check: 'blank left', why: `“${match[0]}” looks like a blank that was not filled in.`, start: match.index, end: match.index + match[0].length,
  }))
