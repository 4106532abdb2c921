import type { Check } from './finding'

/** A comment that never names the student. */
export const nameMissing: Check = ({ comment, student }) => {
  const text = comment?.text ?? ''
  return text === '' || text.includes(student.usedName) ? [] : [{ check: 'name missing', why: `The text never names ${student.usedName}.`, start: 0, end: 0 }]
}
