import { nameKey, readName } from '../../people/names'
import { readPronouns } from '../../people/pronouns'
import { roleByHeading } from '../gradebook/gradebookWords'
import { UnreadableFile } from '../files/problem'
import { readTable, type TableRow } from '../files/readTable'

/** What a class list may say of a child, and what each is called. */
export const pastedFields = {
  schoolNumber: 'Number',
  legalGiven: 'Given name',
  usedName: 'Called',
  family: 'Family name',
  pronouns: 'Pronouns',
  gradeLevel: 'Grade',
} as const
export type PastedField = keyof typeof pastedFields

/** A student as a list has them, before anything is decided; pronouns as they are written. */
export interface PastedStudent extends Readonly<Record<PastedField, string>> {
  /** Where it stands, 1-based, as a spreadsheet shows it. */
  readonly row: number
  /** What the row itself says; all else is usual. */
  readonly said: ReadonlySet<PastedField>
}

type Column = 'number' | 'name' | 'given name' | 'used name' | 'family name' | 'pronouns' | 'grade'

/**
 * Reads a class list as it is pasted from a spreadsheet, a mail or a page: with headings in any order, or without, when
 * the columns are told by what stands in them. A whole name is parted as files have them. Rows without a number are
 * given the next free one.
 *
 * @param next the first number to give
 * @throws UnreadableFile when there is nothing to read
 * @example pastedStudents('05101\tMaya\tReed\tshe/her', { grade: '5', next: 1 })
 * // [{ schoolNumber: '05101', legalGiven: 'Maya', usedName: 'Maya', family: 'Reed', pronouns: 'she/her', … }]
 */
export function pastedStudents(text: string, { grade, next }: { grade: string; next: number }): PastedStudent[] {
  if (text.trim() === '') throw new UnreadableFile('There is nothing here yet. Copy a class list and paste it here.')
  const rows = oneColumn(text) ?? readTable(text).rows
  const headings = rows[0]?.cells.map(columnNamed) ?? []
  const named = headings.filter((column) => column !== null).length >= Math.min(2, headings.length)
  const columns = named ? headings : columnsByContent(rows.map(({ cells }) => cells))
  let free = next
  return (named ? rows.slice(1) : rows).flatMap(({ cells, number: row }) => {
    const cell = (wanted: Column): string => cells[columns.indexOf(wanted)]?.trim() ?? ''
    const whole = readName(cell('name'))
    const given = cell('given name') || whole.given
    const family = cell('family name') || whole.family
    if (given === '' && family === '') return []
    return [
      {
        row,
        schoolNumber: cell('number') || String(free++),
        legalGiven: given || family,
        usedName: cell('used name') || given || family,
        family: given === '' ? '' : family,
        pronouns: cell('pronouns') || 'name only',
        gradeLevel: cell('grade') || grade,
        said: new Set(
          (
            [
              ['schoolNumber', cell('number')],
              ['legalGiven', given],
              ['usedName', cell('used name')],
              ['family', given === '' ? '' : family],
              ['pronouns', cell('pronouns')],
              ['gradeLevel', cell('grade')],
            ] as const
          ).flatMap(([field, text]) => (text === '' ? [] : [field])),
        ),
      },
    ]
  })
}

/** A list of whole names, one a line: a comma in "Reed, Maya" parts a name and not a row. */
function oneColumn(text: string): TableRow[] | null {
  const numbered = text.split(/\r\n|\r|\n/).map((line, at) => ({ number: at + 1, cells: [line] }))
  const written = numbered.filter(({ cells: [line] }) => line?.trim() !== '')
  const lines = written.flatMap(({ cells }) => cells)
  const plain = lines.every((line) => !/[\t;|]/.test(line) && line.split(',').length <= 2)
  if (!plain || lines.some((line) => /^\s*\d+\s*,/.test(line) || columnNamed(line.split(',')[0] ?? '') !== null))
    return null
  const commas = lines.filter((line) => line.includes(','))
  // "Maya, she/her" is two columns, not a name.
  if (commas.some((line) => readPronouns(line.split(',')[1] ?? '') !== undefined)) return null
  return written.map(({ number, cells: [line = ''] }) => ({ number, cells: partsOfLine(line) }))
}

/**
 * A child on a line of its own, with spaces: the number in front, the name, and the pronouns behind. A number with a
 * full stop counts the lines and is nobody's.
 * @example partsOfLine('401 Maya Reed (she/her)') // ['401', 'Maya Reed', 'she/her']
 */
function partsOfLine(line: string): string[] {
  const [, counted, numbered = '', rest = ''] = /^\s*(?:(\d+[.)])|(\d+)(?=\s))?\s*(.*?)\s*$/.exec(line) ?? []
  const [behind = '', pronouns = ''] = /[\s,]+\(?(\p{L}+(?:\/\p{L}+)+)\)?$/u.exec(rest) ?? []
  const said = readPronouns(pronouns) === undefined ? '' : pronouns
  const name = said === '' ? rest : rest.slice(0, -behind.length)
  return [counted === undefined ? numbered : '', name, said]
}

function columnNamed(heading: string): Column | null {
  const key = nameKey(heading).replace(/[^a-z]/g, '')
  if (/^(used|known|preferred|calling|rufname|called)/.test(key)) return 'used name'
  const known = roleByHeading(heading)
  if (known === 'number' || known === 'given name' || known === 'family name' || known === 'name') return known
  if (/^pronouns?$/.test(key)) return 'pronouns'
  if (/^(grade|gradelevel|yeargroup|klasse|jahrgang|stufe|curso|classe|niveau)$/.test(key)) return 'grade'
  return null
}

/** Columns without headings: a number is a number, pronouns are pronouns, and names come as given, then family. */
function columnsByContent(rows: readonly (readonly string[])[]): (Column | null)[] {
  const width = Math.max(...rows.map((cells) => cells.length))
  const most = (at: number, is: (cell: string) => boolean): boolean => {
    const filled = rows.map((cells) => cells[at]?.trim() ?? '').filter(Boolean)
    return filled.length > 0 && filled.filter(is).length * 2 > filled.length
  }
  const names: number[] = []
  const columns = Array.from({ length: width }, (_, at): Column | null => {
    if (rows.every((cells) => !cells[at]?.trim())) return null
    if (most(at, (cell) => readPronouns(cell) !== undefined)) return 'pronouns'
    if (most(at, (cell) => /^\d{1,2}$/.test(cell)) && at > 0) return 'grade'
    if (most(at, (cell) => /\d/.test(cell))) return 'number'
    names.push(at)
    return null
  })
  const kinds: Column[] = names.length === 1 ? ['name'] : ['given name', 'family name']
  return columns.map((column, at) => column ?? kinds[names.indexOf(at)] ?? null)
}
