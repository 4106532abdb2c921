import { z } from 'zod'
import type { NoteKind, Observation } from '../../record/observations'
import type { Student } from '../../record/roster'
import type { Habit, Skill } from '../../school/schoolSetup'
import type { FolderReader } from './folderReader'
import { saysYes } from './recordColumns'
import { studentOf } from './readStudentFiles'

const day = z.iso.date()

/** notes.csv, which may be absent: what was seen of a child, tied to a skill, a habit or nothing. */
export function readNotes(
  folder: FolderReader,
  students: readonly Student[],
  { skills, habits }: { readonly skills: readonly Skill[]; readonly habits: readonly Habit[] },
): Observation[] {
  const file = 'notes.csv'
  return folder
    .records(file, ['number', 'day', 'about', 'text', 'may be told'], 'may be absent')
    .flatMap((record, at) => {
      const student = studentOf(folder, file, record, students)
      const about = record.get('about')
      const kind = kindOf(about)
      if (kind === undefined)
        folder.report(
          file,
          record.row,
          'about',
          `“${about}” is none of the skills in skills.csv and none of the habits.`,
        )
      const date = day.safeParse(record.get('day'))
      if (!date.success) folder.report(file, record.row, 'day', 'It is no day as in 2026-11-26.')
      if (!student || kind === undefined || !date.success) return []
      const note = { id: `note ${at + 1}`, studentId: student.id, date: date.data, kind, about, symbol: null }
      return [{ ...note, text: record.get('text'), mayTell: saysYes(record.get('may be told')), by: null, own: false }]
    })

  function kindOf(about: string): NoteKind | null | undefined {
    if (about === '') return null
    if (skills.some(({ id }) => id === about)) return 'skill'
    return habits.some(({ key }) => key === about) ? 'habit' : undefined
  }
}
