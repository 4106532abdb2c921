import type { RecordIndex } from '../../record/recordIndex'
import type { Student } from '../../record/roster'
import { headingKey } from '../files/readRecords'
import type { TableRow } from '../files/readTable'
import type { ClassListContext, CellReading } from './classCells'
import { needOf, ownNames, type ClassColumn } from './classListColumns'
import { NotTaken } from './planRows'
import { readCount, readAttendance, readNote, readLevelOrMark, type Days } from './readChildCell'

/** The columns of a list of a class, known, and as they are headed. */
export interface ClassColumns {
  readonly columns: readonly ClassColumn[]
  readonly headings: readonly string[]
}

/**
 * Reads what a row says of its child, a thing at a time, so that a wrong cell hides no good one: each of what is given
 * back either says it or throws NotTaken.
 */
export function classRowReader(
  index: RecordIndex,
  { columns, headings }: ClassColumns,
  { may, today }: ClassListContext,
): (row: TableRow, student: Student) => (() => CellReading)[] {
  const own = ownNames(index.record)
  const at = (what: string): number => columns.findIndex((each) => each?.what === what)
  const tall = at('about') >= 0 && at('value') >= 0 && at('text') < 0

  /** A level with its day was seen along the way: it is noted, and settles nothing. */
  function isAlongTheWay(about: string, day: string): boolean {
    return tall && day !== '' && own.get(headingKey(about))?.what === 'level' && may('notes')
  }

  function named(about: string): Extract<ClassColumn, { what: 'level' | 'mark' }> {
    const found = own.get(headingKey(about))
    if (!found) throw new NotTaken(`Nothing here is called “${about}”.`)
    if (!may(needOf(found, index.record) ?? '')) throw new NotTaken(`“${about}” is not yours to change.`)
    return found
  }

  return ({ cells }, student) => {
    const cell = (what: string): string => cells[at(what)] ?? ''
    const wide = columns.flatMap((column, nth): (() => CellReading)[] => {
      const written = cells[nth] ?? ''
      if (written === '' || (column?.what !== 'level' && column?.what !== 'mark')) return []
      return [() => readLevelOrMark(index, column, { student, heading: headings[nth] ?? '', cell: written })]
    })
    const [about, day, text] = [cell('about'), cell('day'), cell('text')]
    const seen = isAlongTheWay(about, day)
    const value = about !== '' && (seen || at('text') >= 0) ? cell('value') : ''
    const note = { about, day, text, value, told: cell('told') }
    return [
      ...wide,
      ...(tall && !seen
        ? [() => readLevelOrMark(index, named(about), { student, heading: about, cell: cell('value') })]
        : []),
      ...(saysDays(cells) ? [() => readAttendance(index, student, daysIn(cells))] : []),
      ...(text === '' && value === '' ? [] : [() => readNote(index, student, note, today)]),
    ]
  }

  function saysDays(cells: readonly string[]): boolean {
    return columns.some((column, nth) => column?.what === 'days' && (cells[nth] ?? '') !== '')
  }

  function daysIn(cells: readonly string[]): Days {
    return Object.fromEntries(
      columns.flatMap((column, nth) => {
        const written = cells[nth] ?? ''
        return column?.what === 'days' && written !== '' ? [[column.part, readCount(written, headings[nth] ?? '')]] : []
      }),
    )
  }
}
