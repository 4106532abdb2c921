import { UnreadableFile } from '../problem'
import type { TableLimits } from '../readTable'
import { numberText } from './numberFormat'
import { readXml } from './readXml'
import { SheetBuilder, type Sheet } from './sheet'
import { partText, unpack } from './unpack'

/** A cell while it is read. */
interface Cell {
  readonly repeats: number
  /** Its value as the file keeps it, where it keeps one. */
  readonly value: string | null
  text: string
}

/**
 * The sheets of an OpenDocument workbook (ISO/IEC 26300), each cell by its value: numbers as numbers, dates as ISO
 * dates, all else as it is shown. Rows and cells that repeat are written out, empty ones are not.
 * @throws UnreadableFile
 * @example readOds(bytes)[0]?.rows[0]?.cells // ['Number', 'Name', 'Quiz']
 */
export function readOds(bytes: Uint8Array, largest?: TableLimits): Sheet[] {
  const parts = unpack(bytes, (name) => name === 'content.xml')
  if (!parts.has('content.xml')) throw new UnreadableFile('This is a packed file, but no workbook.')
  const sheets: Sheet[] = []
  let into: SheetBuilder | null = null
  let row = { at: 0, repeats: 1, cells: [] as Cell[] }
  let cell: Cell | null = null
  let paragraphs = 0
  let isNote = false
  readXml(partText(parts, 'content.xml'), {
    open: (name, attributes) => {
      if (name === 'table') into = new SheetBuilder(attributes.name ?? '', largest)
      if (name === 'table') row = { at: 0, repeats: 1, cells: [] }
      if (name === 'table-row')
        row = { at: row.at + row.repeats, repeats: count(attributes['number-rows-repeated']), cells: [] }
      if (name === 'table-row' && row.at === 0) row.at = 1
      if (name === 'table-cell' || name === 'covered-table-cell') {
        cell = { repeats: count(attributes['number-columns-repeated']), value: valueOf(attributes), text: '' }
        paragraphs = 0
      }
      if (name === 'annotation') isNote = true
      if (name === 'p' && cell && !isNote && (paragraphs += 1) > 1) cell.text += '\n'
      if (name === 's' && cell && !isNote) cell.text += ' '.repeat(Math.min(100, count(attributes.c)))
    },
    text: (text) => {
      if (cell && !isNote && paragraphs > 0) cell.text += text
    },
    close: (name) => {
      if (name === 'annotation') isNote = false
      if ((name === 'table-cell' || name === 'covered-table-cell') && cell) {
        row.cells.push(cell)
        cell = null
      }
      if (name === 'table-row' && into) putRow(into, row)
      if (name === 'table' && into) {
        sheets.push(into.sheet())
        into = null
      }
    },
  })
  return sheets
}

/** Each cell is put as it is written out, so that the sheet's bounds stop what repeats for ever. */
function putRow(
  into: SheetBuilder,
  { at, repeats, cells }: { at: number; repeats: number; cells: readonly Cell[] },
): void {
  if (cells.every((cell) => textOf(cell) === '')) return
  for (let nth = 0; nth < repeats; nth += 1) {
    let column = 1
    for (const cell of cells) {
      const text = textOf(cell)
      for (let next = 0; next < (text === '' ? 0 : cell.repeats); next += 1) into.put(at + nth, column + next, text)
      column += cell.repeats
    }
  }
}

function textOf({ value, text }: Cell): string {
  return (value ?? text).trim()
}

function count(written: string | undefined): number {
  return Math.max(1, Number(written ?? 1) || 1)
}

function valueOf(attributes: Readonly<Record<string, string>>): string | null {
  const { value = '' } = attributes
  const kind = attributes['value-type']
  if (kind === 'date') return (attributes['date-value'] ?? '').replace('T', ' ').replace(/ 00:00(:00)?$/, '')
  if (value === '' || !Number.isFinite(Number(value))) return null
  return kind === 'percentage'
    ? numberText(Number(value), 'percent', 1900)
    : kind === 'float' || kind === 'currency'
      ? numberText(Number(value), 'number', 1900)
      : null
}
