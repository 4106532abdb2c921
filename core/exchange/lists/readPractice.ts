import { practiceProblem, weekOf, type Practice } from '../../record/practice'
import type { RecordIndex } from '../../record/recordIndex'
import type { Student } from '../../record/roster'
import { readDate } from '../files/readDate'
import type { TableRow } from '../files/readTable'
import { nameOf } from './childFinder'
import type { CellReading } from './classCells'
import type { PracticeColumn } from './classListColumns'
import { NotTaken } from './planRows'
import type { ClassColumns } from './readClassRow'

type Practised = Omit<Practice, 'studentId' | 'program'>

/**
 * Reads what programs report of practice: minutes (of a week, or of days, which are added up by the week; a row for
 * each, or a column for each week), goals with how far along, scores before and after.
 * @param program what it is called where no column says
 */
export function practiceReader(index: RecordIndex, { columns, headings }: ClassColumns, program: string) {
  const at = (part: PracticeColumn): number =>
    columns.findIndex((column) => column?.what === 'practised' && column.part === part)
  const dayAt = columns.findIndex((column) => column?.what === 'day')
  const byDay = at('minutes') >= 0 && at('week') < 0
  /** Minutes of days, by child, program and week, with the first row that told of them. */
  const weeks = new Map<string, { row: number; student: Student; program: string; week: string; minutes: number }>()

  function read(row: TableRow, student: Student): (() => CellReading)[] {
    const cell = (part: PracticeColumn): string => row.cells[at(part)] ?? ''
    const called = cell('program') || program
    const say = (practised: () => Practised) => () => saidPractice(index, student, { program: called, ...practised() })
    const across = columns.flatMap((column, nth): (() => CellReading)[] => {
      const written = row.cells[nth] ?? ''
      if (column?.what !== 'minutes of' || written === '') return []
      const { week } = column
      return [
        say(() => ({ kind: 'minutes', name: week, amount: minutesIn(written, headings[nth] ?? ''), beside: null })),
      ]
    })
    const beside = (): number | null => (cell('beside') === '' ? null : numberIn(cell('beside'), 'Out of'))
    if (byDay && cell('minutes') !== '') addDay(row, student, called, cell('minutes'))
    return [
      ...across,
      ...(!byDay && cell('minutes') !== ''
        ? [
            say(() => ({
              kind: 'minutes',
              name: weekIn(cell('week')),
              amount: minutesIn(cell('minutes'), 'Minutes'),
              beside: beside(),
            })),
          ]
        : []),
      ...(cell('goal') !== '' && cell('reached') !== ''
        ? [say(() => ({ kind: 'goal', name: cell('goal'), ...reachedIn(cell('reached'), beside()) }))]
        : []),
      ...(cell('before') !== '' || cell('after') !== ''
        ? [
            say(() => ({
              kind: 'score',
              name: cell('measure') || 'Score',
              amount: scoreIn(cell('after')),
              beside: scoreIn(cell('before')),
            })),
          ]
        : []),
    ]
  }

  /** @throws NotTaken */
  function addDay(row: TableRow, student: Student, called: string, written: string): void {
    const day = row.cells[dayAt] ?? ''
    const week = weekIn(day)
    const place = `${student.id}\u0000${called}\u0000${week}`
    const known = weeks.get(place) ?? { row: row.number, student, program: called, week, minutes: 0 }
    weeks.set(place, { ...known, minutes: known.minutes + minutesIn(written, 'Minutes') })
  }

  /** What came together of days. */
  function told(): { row: number; said: () => CellReading }[] {
    return [...weeks.values()].map(({ row, student, program: called, week, minutes }) => ({
      row,
      said: () =>
        saidPractice(index, student, { program: called, kind: 'minutes', name: week, amount: minutes, beside: null }),
    }))
  }

  return { read, told }
}

function saidPractice(index: RecordIndex, student: Student, practised: Omit<Practice, 'studentId'>): CellReading {
  const problem = practiceProblem(practised)
  if (problem !== null) throw new NotTaken(`${nameOf(student)}: ${problem}`)
  const { program, kind, name } = practised
  const standing = index
    .practiceOf(student.id)
    .find((each) => each.program === program && each.kind === kind && each.name === name)
  const now: Practice = { studentId: student.id, ...practised }
  return {
    place: `practice ${student.id} ${program} ${kind} ${name}`,
    name: `${name} of ${nameOf(student)}`,
    was: standing ? { amount: standing.amount, beside: standing.beside } : null,
    now: { amount: now.amount, beside: now.beside },
    put: ({ practice }) => practice.push(now),
    line: `${nameOf(student)}, ${program}: ${inWords(now)}`,
  }
}

function inWords({ kind, name, amount, beside }: Practice): string {
  if (kind === 'minutes') return `${amount} minutes in the week of ${name}`
  if (kind === 'goal') return `${name}, ${amount} of ${beside}`
  return `${name}, ${beside ?? '—'} before, ${amount ?? '—'} after`
}

function weekIn(written: string): string {
  const day = readDate(written)
  if (day === undefined) throw new NotTaken(`“${written}” is no day, so no week is known.`)
  return weekOf(day)
}

/** @example minutesIn('1:15', 'Minutes') // 75 */
function minutesIn(written: string, heading: string): number {
  const clock = /^(\d{1,2}):([0-5]\d)$/.exec(written.trim())
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  return numberIn(written.replace(/\s*min(utes?|s)?\.?$/i, ''), heading)
}

/** "3", with how far the goal goes beside; "3/5"; "60 %". */
function reachedIn(written: string, beside: number | null): { amount: number; beside: number | null } {
  const [reached = '', of] = written.split('/')
  if (of !== undefined) return { amount: numberIn(reached, 'Reached'), beside: numberIn(of, 'Reached') }
  const percent = /^(.+?)\s*%$/.exec(written)
  if (percent) return { amount: numberIn(percent[1] ?? '', 'Reached'), beside: 100 }
  return { amount: numberIn(written, 'Reached'), beside }
}

function scoreIn(written: string): number | null {
  return written === '' ? null : numberIn(written, 'Score')
}

function numberIn(written: string, heading: string): number {
  const number = Number(written.trim().replace(',', '.'))
  if (written.trim() !== '' && number >= 0 && number <= 1e6) return number
  throw new NotTaken(`${heading}: “${written}” is no number.`)
}
