import { UnreadableFile } from '../problem'
import type { TableLimits } from '../readTable'
import { lookOfBuiltIn, lookOfCode, numberText, type NumberLook } from './numberFormat'
import { readXml } from './readXml'
import { SheetBuilder, type Sheet } from './sheet'
import { partText, unpack } from './unpack'

const wantedPart = /^xl\/((workbook|sharedStrings|styles)\.xml|_rels\/workbook\.xml\.rels|worksheets\/[^/]+\.xml)$/

/**
 * The sheets of an Office Open XML workbook (ECMA-376) that are not hidden, each cell as the workbook shows it:
 * formulas by the value that was last computed, merged cells by the one that holds their text.
 * @throws UnreadableFile
 * @example readXlsx(bytes)[0]?.rows[0]?.cells // ['Number', 'Name', 'Quiz']
 */
export function readXlsx(bytes: Uint8Array, largest?: TableLimits): Sheet[] {
  const parts = unpack(bytes, (name) => wantedPart.test(name))
  const { sheets, from } = readIndex(parts)
  const book: Book = { strings: readStrings(parts), looks: readLooks(parts), from }
  return sheets.flatMap(({ name, part }) =>
    parts.has(part) ? [readSheet(partText(parts, part), new SheetBuilder(name, largest), book)] : [],
  )
}

interface Book {
  readonly strings: readonly string[]
  /** How numbers look, by the number of a cell's style. */
  readonly looks: readonly NumberLook[]
  readonly from: 1900 | 1904
}

/** The sheets that are shown, in their order, with the parts that hold them. */
function readIndex(parts: ReadonlyMap<string, Uint8Array>): {
  sheets: { name: string; part: string }[]
  from: Book['from']
} {
  const targets = new Map<string, string>()
  readXml(needed(parts, 'xl/_rels/workbook.xml.rels'), {
    open: (name, { Id = '', Target = '' }) => {
      if (name === 'Relationship') targets.set(Id, Target.startsWith('/') ? Target.slice(1) : `xl/${Target}`)
    },
  })
  const sheets: { name: string; part: string }[] = []
  let from: Book['from'] = 1900
  readXml(needed(parts, 'xl/workbook.xml'), {
    open: (element, { name = '', id = '', state = 'visible', date1904 = '' }) => {
      if (element === 'sheet' && state === 'visible') sheets.push({ name, part: targets.get(id) ?? '' })
      if (element === 'workbookPr' && /^(1|true)$/.test(date1904)) from = 1904
    },
  })
  return { sheets, from }
}

function needed(parts: ReadonlyMap<string, Uint8Array>, name: string): string {
  if (!parts.has(name)) {
    throw new UnreadableFile('This is a packed file, but no workbook. Choose an XLSX, ODS or CSV file.')
  }
  return partText(parts, name)
}

/** The texts that cells point at; of formatted ones the whole, without how they are pronounced. */
function readStrings(parts: ReadonlyMap<string, Uint8Array>): string[] {
  const strings: string[] = []
  let isText = false
  let isPronounced = false
  if (!parts.has('xl/sharedStrings.xml')) return strings
  readXml(partText(parts, 'xl/sharedStrings.xml'), {
    open: (name) => {
      if (name === 'si') strings.push('')
      if (name === 'rPh') isPronounced = true
      isText = name === 't' && !isPronounced
    },
    text: (text) => {
      if (isText) strings[strings.length - 1] += text
    },
    close: (name) => {
      if (name === 'rPh') isPronounced = false
      isText = false
    },
  })
  return strings
}

function readLooks(parts: ReadonlyMap<string, Uint8Array>): NumberLook[] {
  const codes = new Map<number, NumberLook>()
  const looks: NumberLook[] = []
  let isOfCells = false
  if (!parts.has('xl/styles.xml')) return looks
  readXml(partText(parts, 'xl/styles.xml'), {
    open: (name, { numFmtId = '0', formatCode = '' }) => {
      if (name === 'numFmt') codes.set(Number(numFmtId), lookOfCode(formatCode))
      if (name === 'cellXfs') isOfCells = true
      if (name === 'xf' && isOfCells) looks.push(codes.get(Number(numFmtId)) ?? lookOfBuiltIn(Number(numFmtId)))
    },
    close: (name) => {
      if (name === 'cellXfs') isOfCells = false
    },
  })
  return looks
}

interface Cell {
  row: number
  column: number
  type: string
  style: number
  written: string
}

function readSheet(xml: string, into: SheetBuilder, book: Book): Sheet {
  let cell: Cell | null = null
  let row = 0
  let column = 0
  let isValue = false
  readXml(xml, {
    open: (name, { r = '', t = 'n', s = '0' }) => {
      if (name === 'row') {
        row = Number(r) || row + 1
        column = 0
      }
      if (name === 'c') {
        column = columnOf(r) || column + 1
        cell = { row, column, type: t, style: Number(s), written: '' }
      }
      isValue = name === 'v' || name === 't'
    },
    text: (text) => {
      if (cell && isValue) cell.written += text
    },
    close: (name) => {
      if (name === 'c' && cell) {
        into.put(cell.row, cell.column, textOf(cell, book))
        cell = null
      }
      isValue = false
    },
  })
  return into.sheet()
}

/** The column of a cell's name, from 1: 28 for "AB7"; 0 where it has none. */
function columnOf(name: string): number {
  const letters = /^[A-Z]{1,3}/.exec(name)?.[0] ?? ''
  return [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0)
}

function textOf({ type, style, written }: Cell, { strings, looks, from }: Book): string {
  if (type === 's') return strings[Number(written)] ?? ''
  if (type === 'b') return written === '1' ? 'TRUE' : 'FALSE'
  if (type !== 'n' || written === '') return written
  const value = Number(written)
  return Number.isFinite(value) ? numberText(value, looks[style] ?? 'number', from) : written
}
