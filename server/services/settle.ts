import type { LevelToSettle, MarkToSettle } from '../../contracts/settle'
import { findLevel } from '../../core/scales/scale'
import { readSpecial, specialValues } from '../../core/scales/special'
import type { ClassRecord } from '../../core/record/classRecord'
import { allow, allowOpenTerm, mayChangeGeneral, mayChangeSubject } from '../access/access'
import { Refusal } from '../access/refusal'
import { recordChanges, type Change } from '../data/changes'
import { classTeaching } from '../data/people'
import type { Context, Place } from './context'
import { readableRecord } from './viewClass'

/** Settles marks, or takes them back. The computed mark is never stored, so it can never be erased. */
export async function settleMarks(
  context: Context,
  place: Place,
  marks: readonly MarkToSettle[],
): Promise<number | null> {
  const record = await changeableRecord(context, place)
  const room = await classTeaching(context.db, place.classId)
  for (const { subject, studentId } of marks) {
    allow(mayChangeSubject(context.who, room, subject), `settle marks in ${subject}`)
    requireStudent(record, studentId)
  }
  const changes = marks.map(({ studentId, subject, mark }): Change => ({
    table: 'settled_mark',
    key: { student_id: studentId, subject, term_id: place.termId },
    after: mark,
  }))
  return save(context, place, `settled ${marks.length === 1 ? 'a mark' : `${marks.length} marks`}`, changes)
}

/** Settles skill levels and habit scores, or empties them. A symbol must be one of the scale or a special value's. */
export async function settleLevels(
  context: Context,
  place: Place,
  levels: readonly LevelToSettle[],
): Promise<number | null> {
  const record = await changeableRecord(context, place)
  const room = await classTeaching(context.db, place.classId)
  const changes = levels.map((level): Change => {
    const { scaleKey, subject } = scaleOf(record, level)
    allow(
      subject === null ? mayChangeGeneral(context.who, place.classId) : mayChangeSubject(context.who, room, subject),
      subject === null ? 'score habits in this class' : `rate skills in ${subject}`,
    )
    requireStudent(record, level.studentId)
    return {
      table: 'settled_level',
      key: { student_id: level.studentId, about: level.about, term_id: place.termId },
      after: level.symbol === null ? null : { kind: level.kind, symbol: symbolOf(record, scaleKey, level.symbol) },
    }
  })
  return save(context, place, `rated ${levels.length === 1 ? 'one cell' : `${levels.length} cells`}`, changes)
}

/** The record, when its term is open. @throws Refusal */
export async function changeableRecord(context: Context, place: Place): Promise<ClassRecord> {
  const record = await readableRecord(context, place)
  allowOpenTerm(record.term, context.today)
  return record
}

/** @throws Refusal when the student is not in the class */
export function requireStudent(record: ClassRecord, studentId: string): void {
  if (!record.students.some((student) => student.id === studentId))
    throw new Refusal('not found', 'This student is not in the class.')
}

/** Makes changes in a transaction of their own, recorded as one event. */
export async function save(
  { db, who }: Context,
  place: Place,
  kind: string,
  changes: readonly Change[],
): Promise<number | null> {
  return db.transaction((trx) => recordChanges(trx, { personId: who.personId, ...place, kind }, changes))
}

function scaleOf(record: ClassRecord, level: LevelToSettle): { scaleKey: string; subject: string | null } {
  if (level.kind === 'habit') {
    const habit = record.habits.find((each) => each.key === level.about)
    if (!habit) throw new Refusal('not found', 'There is no such habit.')
    return { scaleKey: habit.scale, subject: null }
  }
  const skill = record.skills.find((each) => each.id === level.about)
  const subject = record.subjects.find((each) => each.key === skill?.subject)
  if (!subject)
    throw new Refusal('forbidden', 'You may not rate this skill. Ask the coordinator if you think you should.')
  return { scaleKey: subject.skillScale, subject: subject.key }
}

function symbolOf(record: ClassRecord, scaleKey: string, typed: string): string {
  const scale = record.scales.find((each) => each.key === scaleKey)
  const symbol = scale && findLevel(scale, typed)?.symbol
  if (symbol !== undefined) return symbol
  const special = readSpecial(typed)
  if (special) return specialValues[special]
  throw new Refusal(
    'invalid',
    `“${typed}” is no level here. The levels are ${scale?.levels.map((level) => level.symbol).join(', ') ?? 'not set'}.`,
  )
}
