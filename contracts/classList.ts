import { z } from 'zod'
import { attendanceProblem } from '../core/record/attendanceProblem'
import { levelsToSettle, marksToSettle } from './settle'
import { practiceToKeep, registerToKeep } from './evidence'
import { noteKept } from './notes'
import { noneTwice } from './text'

const daysSeen = z.object({ daysOpen: z.number(), absences: z.number(), lates: z.number() })
const days = daysSeen.superRefine((given, found) => {
  const message = attendanceProblem(given)
  if (message !== null) found.addIssue({ code: 'custom', message })
})

/** A child's days of a term to keep; null to take them back. `was`: what the writer saw. */
export const attendanceToKeep = z.object({ studentId: z.uuid(), days: days.nullable(), was: daysSeen.nullable() })
export type AttendanceToKeep = z.infer<typeof attendanceToKeep>

const newNote = z.object({ id: z.uuid(), studentId: z.uuid(), note: noteKept })

/** What is known of a class that is no result: kept together, as one change, whole or not at all. */
export const cellsToKeep = z.object({
  marks: marksToSettle.shape.marks.or(z.tuple([])).default([]),
  levels: levelsToSettle.shape.levels.or(z.tuple([])).default([]),
  attendance: noneTwice(attendanceToKeep, 2000, (each) => each.studentId).default([]),
  practice: practiceToKeep.default([]),
  /** Days of a register; what they come to stands under attendance. */
  register: registerToKeep.shape.days.or(z.tuple([])).default([]),
  /** New ones. */
  notes: noneTwice(newNote, 5000, (each) => each.id).default([]),
})
export type CellsToKeep = z.infer<typeof cellsToKeep>
