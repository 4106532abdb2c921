import type { NoteFact } from '../narrative/because'
import { noteSentence } from '../narrative/noteSentence'
import { findWords } from '../school/checkSettings'
import type { Observation } from './observations'
import type { RecordIndex } from './recordIndex'
import type { Student } from './roster'

/**
 * The notes of this term that may be told in a box, as they can be said; the latest first. A note belongs to the box of
 * the subject that its skill or its piece of work is of, any other to the general comment, and so to one box only. One
 * that touches on a private matter, or names another child, is told nowhere.
 * @param subject the box's; null for the general comment
 */
export function noteFacts(index: RecordIndex, student: Student, subject: string | null): NoteFact[] {
  const { term, school } = index.record
  const secret = school.checks.privateMatters.flatMap(({ words }) => words)
  const own = index
    .notesOf(student.id)
    .filter(
      (note) =>
        note.mayTell &&
        note.date >= term.starts &&
        note.date <= term.ends &&
        subjectOf(index, note) === subject &&
        findWords(note.text, secret).length === 0,
    )
    .toSorted((a, b) => b.date.localeCompare(a.date))
  if (own.length === 0) return []
  const setting = { name: student.usedName, pronouns: student.pronouns, others: othersThan(student, index) }
  return own.flatMap((note): NoteFact[] => {
    const told = noteSentence(note.text, setting)
    if (told === null) return []
    // As it is told, which whoever reads the comment reads: the note itself is not everybody's.
    const text = `Note of ${note.date}: ${told.replace(/\{(\w+)\}/g, '$1')}`.slice(0, 500)
    const because = { kind: 'note' as const, about: note.id, text, tier: null, termId: term.id }
    return [{ id: note.id, date: note.date, told, because }]
  })
}

/** The names of all others, whom a note told of this student may not name. */
function othersThan({ id, usedName, legalGiven }: Student, { record }: RecordIndex): string[] {
  return [
    ...record.students.filter((each) => each.id !== id).flatMap((each) => [each.usedName, each.legalGiven]),
    ...record.namesInYear,
  ].filter((name) => name !== usedName && name !== legalGiven)
}

function subjectOf({ record }: RecordIndex, { kind, about }: Observation): string | null {
  if (kind === 'skill') return record.skills.find(({ id }) => id === about)?.subject ?? null
  if (kind === 'work') return record.work.find(({ id }) => id === about)?.subject ?? null
  return null
}
