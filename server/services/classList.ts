import type { AttendanceToKeep, CellsToKeep } from '../../contracts/classList'
import { allow, type Need } from '../access/grants'
import type { Change, Row } from '../data/changes/changeableTables'
import { openPlace, save, setupIn, type Context, type Opened, type Place } from './context'
import { newNotes } from './notes'
import { practiceChanges } from './practice'
import { registerChanges } from './register'
import { levelChanges, levelShown, markChanges } from './settle'

/** Keeps days of attendance, or with them the marks, levels and notes of a list: one event, whole or not at all. */
export async function keepCells(context: Context, place: Place, cells: CellsToKeep): Promise<number | null> {
  const { marks, levels, attendance, notes, practice, register } = cells
  const all = [...marks, ...levels, ...attendance, ...practice, ...register, ...notes]
  const opened = await openPlace(
    context,
    place,
    all.map(({ studentId }) => studentId),
  )
  const setup = await setupIn(context, opened)
  const parts = [
    markChanges({ setup, ...opened }, place, marks),
    levelChanges({ setup, ...opened }, place, levels),
    attendanceChanges(opened, place, attendance),
    practiceChanges(opened, place, practice),
    registerChanges(context, opened, register),
    { changes: await newNotes(context, place, opened, notes), needs: notes.length > 0 ? ['notes' as const] : [] },
  ]
  const changes = parts.flatMap((part): readonly Change[] => part.changes)
  const needs = [...new Set(parts.flatMap((part): readonly Need[] => part.needs))]
  const kind =
    all.length === attendance.length
      ? `kept the attendance of ${all.length === 1 ? 'a child' : `${all.length} children`}`
      : `took a list of ${all.length} in`
  return (await save(context, { ...place, kind, needs }, changes, { show: shown })).event
}

function attendanceChanges(
  { grants }: Pick<Opened, 'grants'>,
  { termId }: Place,
  attendance: readonly AttendanceToKeep[],
): { changes: Change[]; needs: Need[] } {
  if (attendance.length === 0) return { changes: [], needs: [] }
  allow(grants.changes('general'), 'keep the attendance of this class')
  const changes = attendance.map(({ studentId, days, was }): Change => ({
    table: 'attendance',
    key: { student_id: studentId, term_id: termId },
    seen: was && daysRow(was),
    after: days && daysRow(days),
  }))
  return { changes, needs: ['general'] }
}

function daysRow({ daysOpen, absences, lates }: NonNullable<AttendanceToKeep['days']>): Row {
  return { days_open: daysOpen, absences, lates }
}

/** How a row stands, for whoever met it changed. */
function shown(row: Row | null, change: Change): Row | null {
  if (row === null || change.table === 'settled_mark') return row
  if (change.table === 'practice') return { amount: row.amount ?? null, beside: row.beside ?? null }
  if (change.table === 'settled_level') return levelShown(row)
  if (change.table !== 'attendance') return null
  return { daysOpen: row.days_open ?? 0, absences: row.absences ?? 0, lates: row.lates ?? 0 }
}
