import type { Check } from './finding'

/** A box in which nothing is written, and the more so where a mark stands without a word about it. */
export const emptyBox: Check = ({ text, student, box, index }) => {
  if (text.trim() !== '') return []
  const marked = box.subject !== null && index.markOf(student.id, box.subject) !== undefined
  const why = marked
    ? `${student.usedName} has a mark in ${box.name} and no comment yet.`
    : `${student.usedName} has nothing in ${box.name} yet.`
  return [{ check: marked ? 'mark without comment' : 'empty', why, start: 0, end: 0, mends: [] }]
}
