import { formsOf } from '../people/pronouns'
import { Classmates } from '../narrative/classmates'
import { indexPhrases } from '../narrative/phraseIndex'
import { frameKey, shapeOf } from '../narrative/readyPhrase'
import { Usage } from '../narrative/usage'
import { wordNumbers } from '../narrative/wordNumbers'
import type { ClassRecord } from './classRecord'
import type { Student } from './roster'
import type { StudentComment } from './termRecord'

/**
 * What classmates' texts say already in one box: how often each phrase stands in them, at which tiers and with what it
 * tells, and their words. New drafts keep away from it.
 * @example classmatesOfComments(comments, record).usage.ofPhrase(nameNumber('p-17')) // 3: so many have that phrase
 */
export function classmatesOfComments(
  comments: readonly StudentComment[],
  { phrasebook, students }: Pick<ClassRecord, 'phrasebook' | 'students'>,
): Classmates {
  const usage = new Usage()
  const classmates = new Classmates(usage)
  const { byId } = indexPhrases(phrasebook)
  const studentOf = new Map(students.map((student) => [student.id, student]))
  for (const { studentId, text, sentences } of comments) {
    for (const { phraseIds, parts, because } of sentences) {
      const tiers = new Set(because.flatMap((each) => each.tier ?? []))
      for (const id of phraseIds) {
        const shape = shapeOf(id)
        usage.note({ id, frame: byId(id)?.frame ?? frameKey(shape), shape }, { keys: parts, tiers })
      }
    }
    const words = wordNumbers(withoutPerson(text, studentOf.get(studentId)))
    if (words.length > 0) classmates.addText(words)
  }
  return classmates
}

/** A text without what says whom it is about: the words are compared that another child's text could have. */
function withoutPerson(text: string, student: Student | undefined): string {
  if (!student) return text
  const forms = student.pronouns === 'name only' ? [] : formsOf(student.pronouns)
  const person = new Set([...student.usedName.split(' '), ...forms].map((word) => word.toLowerCase()))
  return text.replace(/[\p{L}\p{M}]+/gu, (word) => (person.has(word.toLowerCase()) ? ' ' : word))
}
