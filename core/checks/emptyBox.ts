import type { Check } from './finding'

/** A box in which nothing is written. */
export const emptyBox: Check = ({ comment, student, box }) =>
  comment && comment.text.trim() !== '' ? [] : [{ check: 'empty', why: `${student.usedName} has nothing in ${box.name} yet.`, start: 0, end: 0 }]
