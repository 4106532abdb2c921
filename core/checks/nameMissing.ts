import { exactWords } from '../school/checkSettings'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole, write } from './finding'

/** A comment that never names the student, where the school wants it. */
export const nameMissing: Check = (input) => {
  const { text, student, index } = input
  if (!index.record.school.checks.nameWanted || text.trim() === '' || text.search(exactWords(student.usedName)) >= 0)
    return []
  const { pronouns } = student
  const first =
    pronouns === 'name only' ? undefined : new RegExp(`^${pronouns.subject}(?=\\s)`, 'iu').exec(text.trimStart())
  return [
    ofWhole(
      'name missing',
      explanations['name missing'](student.usedName),
      input,
      first ? [write(student.usedName, 0, first[0].length)] : [],
    ),
  ]
}
