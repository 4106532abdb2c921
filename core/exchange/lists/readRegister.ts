import type { Student } from '../../record/roster'
import type { Presence } from '../../record/register'
import { readDate } from '../files/readDate'
import type { TableRow } from '../files/readTable'
import type { ClassColumn } from './classListColumns'
import { NotTaken } from './planRows'
import type { Days } from './readChildCell'

/** Signs that mean one thing wherever they are used; an x or a 1 does not. */
const states: Record<Presence, RegExp> = {
  present: /^(p|present|\/|\\|\.|✓|anwesend|presente?)$/i,
  absent: /^(a|abs|absent|u|e|ea|ua|(un)?excused( absence)?|fehlt|abwesend|ausente)$/i,
  late: /^(l|late|t|tardy|verspatet|verspätet|retard)$/i,
}

/** A child's days so far, and the first row that told of them. */
interface Counted {
  readonly student: Student
  readonly row: number
  readonly days: Map<string, Presence>
}

/**
 * Counts a register: a row for each child and day (day, status), or a row for each child with a column for each day. A
 * child of whom one sign cannot be read is not counted at all: part of a term is no term.
 */
export function registerReader(columns: readonly ClassColumn[], headings: readonly string[]) {
  const counted = new Map<string, Counted>()
  const wrong = new Set<string>()
  const [dayAt, statusAt] = (['day', 'status'] as const).map((what) => columns.findIndex((each) => each?.what === what))
  const across = columns.flatMap((column, at) => (column?.what === 'on day' ? [{ at, day: column.day }] : []))

  function daysIn({ cells }: TableRow): [string, Presence][] {
    const signs = across.map(({ at, day }): [string, Presence] => {
      const cell = cells[at] ?? ''
      return [day, cell === '' ? 'present' : stateOf(cell, headings[at] ?? '')]
    })
    if (statusAt === undefined || statusAt < 0) return signs
    const written = cells[dayAt ?? -1] ?? ''
    const day = readDate(written)
    if (day === undefined) throw new NotTaken(`“${written}” is no day.`)
    return [...signs, [day, stateOf(cells[statusAt] ?? '', headings[statusAt] ?? '')]]
  }

  /** @throws NotTaken */
  function take(row: TableRow, student: Student): void {
    try {
      const days = daysIn(row)
      if (days.length === 0) return
      const known = counted.get(student.id) ?? { student, row: row.number, days: new Map() }
      for (const [day, state] of days) known.days.set(day, state)
      counted.set(student.id, known)
    } catch (error) {
      wrong.add(student.id)
      throw error
    }
  }

  /** What came together: every day that stands in the register was a day of school. */
  function told(): { student: Student; row: number; days: Days; presences: ReadonlyMap<string, Presence> }[] {
    const open = new Set([...counted.values()].flatMap(({ days }) => [...days.keys()])).size
    const whole = [...counted.values()].filter(({ student }) => !wrong.has(student.id))
    return whole.map(({ student, row, days }) => {
      const of = (state: Presence): number => [...days.values()].filter((each) => each === state).length
      return { student, row, days: { daysOpen: open, absences: of('absent'), lates: of('late') }, presences: days }
    })
  }

  return { take, told }
}

/** What a sign in a register says. @throws NotTaken */
function stateOf(cell: string, heading: string): Presence {
  const found = (['present', 'absent', 'late'] as const).find((state) => states[state].test(cell.trim()))
  if (!found) throw new NotTaken(`${heading}: “${cell}” says neither present, absent nor late.`)
  return found
}
