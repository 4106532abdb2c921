import type { Check } from './finding'

/** A comment in a subject that has no settled mark. */
export const factsMissing: Check = ({ index, student, box, comment }) =>
  comment && comment.text !== '' && box.subject !== null && !index.markOf(student.id, box.subject)
    ? [{ check: 'no mark', why: 'There is a comment but no settled mark.', start: 0, end: 0 }]
    : []
