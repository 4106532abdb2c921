import { attendanceProblem, halfDay, mostDays } from '../../record/attendanceProblem'
import { noteProblem } from '../../record/noteProblem'
import type { Attendance, Observation, WrittenInNote } from '../../record/observations'
import type { RecordIndex } from '../../record/recordIndex'
import { registerDayProblem, type Presence, type RegisterDay } from '../../record/register'
import type { Student } from '../../record/roster'
import type { LevelKind } from '../../record/termRecord'
import { readSpecial } from '../../scales/special'
import type { Scale } from '../../scales/scale'
import { keptSymbol, readSymbol } from '../../scales/symbol'
import { scaleOfLevel } from '../../school/scaleOfLevel'
import { saysYes } from '../folder/recordColumns'
import { readDate } from '../files/readDate'
import { headingKey } from '../files/readRecords'
import { nameOf } from './childFinder'
import type { ClassListContext, CellReading } from './classCells'
import type { DaysColumn } from './attendanceWords'
import { ownNames, type ClassColumn } from './classListColumns'
import { NotTaken } from './planRows'

// What a cell of a list says of a child, beside what stands.

/** A level or a mark. @throws NotTaken when it is none */
export function readLevelOrMark(
  index: RecordIndex,
  column: Extract<ClassColumn, { what: 'level' | 'mark' }>,
  { student, heading, cell }: { student: Student; heading: string; cell: string },
): CellReading {
  return column.what === 'mark'
    ? readMark(index, student, { subject: column.subject, heading, cell })
    : readLevel(index, student, { kind: column.kind, about: column.about, heading, cell })
}

function readMark(
  index: RecordIndex,
  student: Student,
  { subject, heading, cell }: { subject: string; heading: string; cell: string },
): CellReading {
  const special = readSpecial(cell) ?? null
  const percent = special === null ? Number(cell.replace(/\s*%$/, '').replace(',', '.')) : null
  if (percent !== null && !(percent >= 0 && percent <= 120))
    throw new NotTaken(`${heading}: “${cell}” is no mark from 0 to 120 %, nor absent, incomplete or not assessed.`)
  const standing = index.markOf(student.id, subject)
  const was = standing ? { percent: standing.percent, special: standing.special } : null
  const reason = standing?.percent === percent ? standing.reason : null
  return {
    place: `mark ${student.id} ${subject}`,
    name: `${heading} of ${nameOf(student)}`,
    was,
    now: { percent, special },
    put: ({ marks }) => marks.push({ studentId: student.id, subject, mark: { percent, special, reason } }),
    line: `${nameOf(student)}, ${heading}: ${was ? `${was.percent ?? was.special} → ` : ''}${percent ?? special}`,
  }
}

function readLevel(
  index: RecordIndex,
  student: Student,
  { kind, about, heading, cell }: { kind: LevelKind; about: string; heading: string; cell: string },
): CellReading {
  const { scale } = scaleOfLevel(index.record, { kind, about })
  const meaning = readSymbol(scale, cell)
  if (!meaning) throw noLevel(scale, heading, cell)
  const symbol = keptSymbol(meaning)
  const was = index.levelOf(student.id, kind, about) ?? null
  return {
    place: `${kind} ${student.id} ${about}`,
    name: `${heading} of ${nameOf(student)}`,
    was,
    now: symbol,
    put: ({ levels }) => levels.push({ studentId: student.id, kind, about, symbol }),
    line: `${nameOf(student)}, ${heading}: ${was === null ? '' : `${was} → `}${symbol}`,
  }
}

function noLevel(scale: Scale | undefined, heading: string, cell: string): NotTaken {
  const levels = scale?.levels.map(({ symbol }) => symbol).join(', ') ?? 'not set'
  return new NotTaken(`${heading}: “${cell}” is no level here. The levels are ${levels}.`)
}

/** Days of attendance, as far as they are said. */
export type Days = Partial<Record<DaysColumn, number>>

/** A number of days, in halves too, or of times. @throws NotTaken */
export function readCount(written: string, heading: string): number {
  const count = Number(written.replace(',', '.').replace('½', '.5'))
  if (Number.isInteger(count / halfDay) && count >= 0 && count <= mostDays) return count
  throw new NotTaken(`${heading}: “${written}” is no number of days.`)
}

/** What a list says of a child's attendance; what it does not say stays. @throws NotTaken when it cannot be */
export function readAttendance(index: RecordIndex, student: Student, { present, ...said }: Days): CellReading {
  const was = index.attendanceOf(student.id) ?? null
  const daysOpen = said.daysOpen ?? was?.daysOpen ?? 0
  const absences = said.absences ?? (present === undefined ? was?.absences : daysOpen - present) ?? 0
  const now: Attendance = { studentId: student.id, daysOpen, absences, lates: said.lates ?? was?.lates ?? 0 }
  const problem = attendanceProblem(now)
  if (problem !== null) throw new NotTaken(`${nameOf(student)}: ${problem}`)
  return {
    place: `days ${student.id}`,
    name: `The attendance of ${nameOf(student)}`,
    was,
    now,
    put: ({ attendance }) => attendance.push(now),
    line: `${nameOf(student)}: absent ${now.absences} of ${now.daysOpen} days, late ${now.lates}`,
  }
}

/** Days of a register with what they come to. @throws NotTaken when it cannot be */
export function readRegisterDay(
  index: RecordIndex,
  { student, days, presences }: { student: Student; days: Days; presences: ReadonlyMap<string, Presence> },
  presenceOn: ClassListContext['presenceOn'],
): CellReading {
  for (const day of presences.keys()) {
    const problem = registerDayProblem(day, index.record.term, day)
    if (problem !== null) throw new NotTaken(`${nameOf(student)}: ${problem}`)
  }
  const sums = readAttendance(index, student, days)
  const now = [...presences].map(([day, presence]): RegisterDay => ({ studentId: student.id, day, presence }))
  const kept = now.flatMap(({ day }): RegisterDay[] => {
    const presence = presenceOn(student.id, day)
    return presence === undefined ? [] : [{ studentId: student.id, day, presence }]
  })
  // A register that says what is kept already leaves sums alone that somebody gave apart from it.
  const again = JSON.stringify(kept) === JSON.stringify(now)
  return {
    ...sums,
    was: again ? now : sums.was === null && kept.length === 0 ? null : { sums: sums.was, kept },
    now: again ? now : { sums: sums.now, kept: now },
    put: (cells) => {
      sums.put(cells)
      cells.register.push(...now)
    },
  }
}

/** A note; one that stands already is told from one that is new. @throws NotTaken when its day or matter is none */
export function readNote(
  { record }: RecordIndex,
  student: Student,
  written: { day: string; about: string; value: string; text: string; told: string },
  today: string,
): CellReading {
  const date = written.day === '' ? today : readDate(written.day)
  if (date === undefined) throw new NotTaken(`“${written.day}” is no day.`)
  const found = ownNames(record).get(headingKey(written.about))
  const isKnown = written.about === '' || found?.what === 'level'
  if (!isKnown) throw new NotTaken(`Nothing here is called “${written.about}”.`)
  const tie = found?.what === 'level' ? { kind: found.kind, about: found.about } : { kind: null, about: '' }
  const symbol = seenLevel(record, tie, written)
  const note = { studentId: student.id, date, ...tie, symbol, text: written.text, mayTell: saysYes(written.told) }
  const problem = noteProblem(note, record.term, today)
  if (problem !== null) throw new NotTaken(problem)
  const place = (each: Pick<Observation, 'studentId' | WrittenInNote>): string =>
    JSON.stringify([each.studentId, each.date, each.text, each.symbol, each.symbol === null ? '' : each.about])
  const there = record.observations.some((each) => place(each) === place(note))
  const said = [symbol === null ? '' : `${written.about} ${symbol}`, written.text]
  return {
    place: `note ${place(note)}`,
    name: 'The same note',
    was: there ? note : null,
    now: note,
    put: ({ notes }) => notes.push(note),
    line: `${nameOf(student)}, ${date}: ${said.filter((each) => each !== '').join(', ')}`,
  }
}

/** The level that a note says; null where it says none. @throws NotTaken when it is none of what the note is about */
function seenLevel(
  record: RecordIndex['record'],
  tie: Pick<Observation, 'kind' | 'about'>,
  { value, about }: { value: string; about: string },
): string | null {
  if (value === '') return null
  const { scale } = scaleOfLevel(record, tie)
  const meaning = readSymbol(scale, value)
  const level = meaning && scale?.levels.find(({ symbol }) => symbol === keptSymbol(meaning))
  if (!level) throw noLevel(scale, about, value)
  return level.symbol
}
