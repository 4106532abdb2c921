import type { NoteFact } from '../narrative/because'
import { parsePhrase, tokensWith } from '../narrative/notation'
import { noteSentence, type NoteTold } from '../narrative/noteSentence'
import { nothingSpoken, saySentence } from '../narrative/say'
import { noteWordings } from '../narrative/told/noteWordings'
import { findWords } from '../school/checkSettings'
import { asSubject } from './asSubject'
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
  const { term } = index.record
  const own = index
    .notesOf(student.id)
    .filter(
      (note) =>
        note.mayTell && note.date >= term.starts && note.date <= term.ends && subjectOf(index, note) === subject,
    )
    .toSorted((a, b) => b.date.localeCompare(a.date))
  return own.flatMap((note): NoteFact[] => {
    const read = readNote(index, student, note.text)
    if ('why' in read) return []
    const { told } = read
    // As it is told, which whoever reads the comment reads: the note itself is not everybody's.
    const text = `Note of ${note.date}: ${told.replace(/\{(\w+)\}/g, '$1')}`.slice(0, 500)
    const because = { kind: 'note' as const, about: note.id, text, tier: null, termId: term.id }
    return [{ id: note.id, date: note.date, told, because }]
  })
}

/**
 * A note as a comment would say it of this student; or why no comment says it as it stands.
 * @example noteAsSaid(index, student, { date: '2026-11-04', text: 'Read her poem.' })
 * // { said: 'In November Maya read her poem.' }
 */
export function noteAsSaid(
  index: RecordIndex,
  student: Student,
  { date, text }: Pick<Observation, 'date' | 'text'>,
): { said: string } | { why: string } {
  const read = readNote(index, student, text)
  if ('why' in read) return read
  const [first] = noteWordings({ date, told: read.told })
  return {
    said: saySentence(tokensWith(parsePhrase(`${first.text}.`), {}), asSubject(index, student), nothingSpoken, []).text,
  }
}

function readNote(index: RecordIndex, student: Student, text: string): NoteTold {
  const secret = index.record.school.checks.privateMatters.flatMap(({ words }) => words)
  if (findWords(text, secret).length > 0) return { why: 'It touches on a private matter.' }
  const others = othersThan(student, index)
  return noteSentence(text, { name: student.usedName, pronouns: student.pronouns, others })
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
