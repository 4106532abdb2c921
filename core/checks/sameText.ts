import type { Check } from './finding'

/** The same text, names aside, for two students. */
export const sameText: Check = ({ index, student, box, comment }) => {
  if (!comment || comment.text === '') return []
  const own = withoutName(comment.text, student.usedName)
  const twin = index.record.students.find((each) => each.id !== student.id && withoutName(index.commentOf(each.id, box.key)?.text ?? '', each.usedName) === own)
  return twin ? [{ check: 'same text', why: `${twin.usedName} has the same text.`, start: 0, end: comment.text.length }] : []
}

function withoutName(text: string, name: string): string {
  return text.replaceAll(name, '…')
}
