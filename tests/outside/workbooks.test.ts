import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ExcelJS from 'exceljs'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import writeWorkbook from 'write-excel-file/node'
import { UnreadableFile } from '../../core/exchange/files/problem'
import { readSheets } from '../../core/exchange/files/readSheets'
import { tableText } from '../../core/exchange/files/tableText'
import { bookOfTables } from '../../core/exchange/files/workbook/bookOfTables'
import { readTable } from '../../core/exchange/files/readTable'

// Workbooks as another library writes them (exceljs, npm), and as an office suite does where one is installed.

async function bytesOf(fill: (book: ExcelJS.Workbook) => void): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook()
  fill(book)
  return new Uint8Array(await book.xlsx.writeBuffer())
}
const cellsOf = (bytes: Uint8Array) =>
  readSheets(bytes).map(({ sheet, table }) => [sheet, table.rows.map(({ number, cells }) => [number, ...cells])])

describe('a workbook', () => {
  it('is read as it is shown: dates, per cent, noughts in front, formulas, merged cells, formatted text', async () => {
    const bytes = await bytesOf((book) => {
      const sheet = book.addWorksheet('Quizzes')
      sheet.addRow(['Number', 'Name', 'Done on', 'Share', 'Sum', 'Right'])
      const date = new Date(Date.UTC(2026, 9, 5))
      sheet.addRow([5101, 'Zoë O’Hara & <co>', date, 0.285, { formula: 'SUM(1,2)', result: 3 }, true])
      sheet.addRow([])
      sheet.addRow([5102, { richText: [{ text: 'Tomás ' }, { text: 'Bae', font: { bold: true } }] }, null, 0.1 + 0.2])
      sheet.getColumn(1).numFmt = '00000'
      sheet.getColumn(3).numFmt = 'dd/mm/yyyy'
      sheet.getColumn(4).numFmt = '0.0%'
      sheet.mergeCells('E4:F4')
      sheet.getCell('E4').value = 'both'
      book.addWorksheet('Nothing')
      book.addWorksheet('Hidden', { state: 'hidden' }).addRow(['secret'])
      book.addWorksheet('Plain').addRow([0.1 + 0.2, 1e-7, -4, 'TRUE'])
    })
    const [quizzes, plain, ...others] = cellsOf(bytes)
    expect(quizzes).toEqual([
      'Quizzes',
      [
        [1, 'Number', 'Name', 'Done on', 'Share', 'Sum', 'Right'],
        [2, '05101', 'Zoë O’Hara & <co>', '2026-10-05', '28.5%', '3', 'TRUE'],
        [4, '05102', 'Tomás Bae', '', '30%', 'both', 'both'].slice(0, 6),
      ],
    ])
    expect(plain).toEqual(['Plain', [[1, '0.3', '1e-7', '-4', 'TRUE']]])
    expect(others).toEqual([])
  })

  it('counts days from 1904 where it says so, and knows a moment and a time', async () => {
    const bytes = await bytesOf((book) => {
      book.properties.date1904 = true
      const sheet = book.addWorksheet('Days')
      sheet.addRow([new Date(Date.UTC(2026, 9, 5)), new Date(Date.UTC(2026, 9, 5, 8, 30)), 0.5])
      sheet.getCell('A1').numFmt = 'yyyy-mm-dd'
      sheet.getCell('B1').numFmt = 'd/m/yy h:mm'
      sheet.getCell('C1').numFmt = 'h:mm'
    })
    expect(cellsOf(bytes)).toEqual([['Days', [[1, '2026-10-05', '2026-10-05 08:30', '12:00']]]])
  })

  it('holds whatever text is put in it, and its text is read as the same table', async () => {
    const cell = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 12 }).filter((text) => !/[\p{Cc}\p{Cs}\uFFFE\uFFFF]/u.test(text)),
      fc.constantFrom('=1+1', '"quoted", and more', 'Ana;Bea|Cy', '_x0041_', '07', ' 12 ', '-', 'שלום'),
    )
    const rows = fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 6 })
    await fc.assert(
      fc.asyncProperty(rows, async (cells) => {
        const wanted = cells.map((row) => row.map((each) => each.trim()))
        fc.pre(wanted.some((row) => row.some((each) => each !== '')))
        const bytes = await bytesOf((book) => void book.addWorksheet('One').addRows(cells))
        const trimmed = wanted.map((row) => row.slice(0, row.findLastIndex((each) => each !== '') + 1))
        const [one] = readSheets(bytes)
        const read = one?.table.rows.map(({ number, cells: each }) => [number, ...each])
        expect(read).toEqual(trimmed.flatMap((row, at) => (row.length > 0 ? [[at + 1, ...row]] : [])))
        // As text, a row of nothing but separators says nothing.
        const plain = one && {
          rows: one.table.rows.filter(({ cells: each }) => !each.every((c) => /^[,;|\s]*$/.test(c))),
        }
        if (plain && plain.rows.length > 0 && plain.rows.some(({ cells: each }) => each.length > 1))
          expect(readTable(tableText(plain), undefined).rows.length).toBe(plain.rows.length)
      }),
      {
        numRuns: 60,
        examples: [
          [[['=1+1', ' '], ['']]],
          [[['"quoted", and more', '=1+1'], ['Ana;Bea|Cy', '=1+1', '!'], ['Ana;Bea|Cy'], ['']]],
          [[['Ana;Bea|Cy'], ['Ana;Bea|Cy'], ['"', '=1+1']]],
        ],
      },
    )
  })
})

const suite = ['/usr/bin/soffice', '/usr/bin/libreoffice'].find(existsSync)
const converted = (content: string, to: string): Uint8Array => {
  const folder = mkdtempSync(join(tmpdir(), 'facunda-suite-'))
  writeFileSync(join(folder, 'marks.csv'), content)
  // A comma between, quotes around, in UTF-8, from the first line.
  const utf8 = '--infilter=CSV:44,34,76,1'
  execFileSync(suite ?? '', ['--headless', utf8, '--convert-to', to, '--outdir', folder, join(folder, 'marks.csv')], {
    env: { ...process.env, HOME: folder },
    timeout: 120_000,
  })
  const bytes = new Uint8Array(readFileSync(join(folder, `marks.${to}`)))
  rmSync(folder, { recursive: true })
  return bytes
}

// Skipped aloud where no office suite is installed: the test's name says what was not tried.
describe.skipIf(suite === undefined)('a workbook that an office suite (libreoffice, Debian) has saved', () => {
  it.each(['xlsx', 'ods'])('as %s is read as the table that it was made from', { timeout: 180_000 }, (kind) => {
    const text = 'Number,Name,Quiz,Done\n70101,Maya Reed,17.5,2026-10-05\n\n70102,"de la Cruz, Tomás",12,2026-10-12\n'
    expect(cellsOf(converted(text, kind))).toEqual([
      [
        'marks',
        [
          [1, 'Number', 'Name', 'Quiz', 'Done'],
          [2, '70101', 'Maya Reed', '17.5', '2026-10-05'],
          [4, '70102', 'de la Cruz, Tomás', '12', '2026-10-12'],
        ],
      ],
    ])
  })
})

/** An OpenDocument workbook of this content, by the standard's own words (ISO/IEC 26300; from memory). */
const ods = (rows: string): Uint8Array =>
  zipSync({
    'mimetype': strToU8('application/vnd.oasis.opendocument.spreadsheet'),
    'content.xml': strToU8(
      `<office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet>
       <table:table table:name="Marks">${rows}</table:table></office:spreadsheet></office:body></office:document-content>`,
    ),
  })

describe('an OpenDocument workbook', () => {
  it('is read by its values, with what repeats written out and notes left out', () => {
    const bytes = ods(`
      <table:table-row table:number-rows-repeated="3"><table:table-cell table:number-columns-repeated="1024"/></table:table-row>
      <table:table-row><table:table-cell office:value-type="string"><office:annotation><text:p>a note</text:p></office:annotation><text:p>Name</text:p></table:table-cell>
        <table:table-cell/><table:table-cell table:number-columns-repeated="2" office:value-type="float" office:value="17.5"><text:p>18</text:p></table:table-cell></table:table-row>
      <table:table-row table:number-rows-repeated="2"><table:table-cell office:value-type="percentage" office:value="0.85"><text:p>85%</text:p></table:table-cell>
        <table:covered-table-cell/><table:table-cell office:value-type="date" office:date-value="2026-10-05T00:00:00"><text:p>5 Oct</text:p></table:table-cell></table:table-row>
      <table:table-row table:number-rows-repeated="1048570"><table:table-cell table:number-columns-repeated="1024"/></table:table-row>`)
    expect(cellsOf(bytes)).toEqual([
      [
        'Marks',
        [
          [4, 'Name', '', '17.5', '17.5'],
          [5, '85%', '', '2026-10-05'],
          [6, '85%', '', '2026-10-05'],
        ],
      ],
    ])
  })
})

const zipped = (parts: Record<string, string>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(parts).map(([name, text]) => [name, strToU8(text)])))
const sheetOf = (rows: string): Uint8Array =>
  zipped({
    'xl/workbook.xml': '<workbook><sheets><sheet name="S" r:id="r1"/></sheets></workbook>',
    'xl/_rels/workbook.xml.rels': '<Relationships><Relationship Id="r1" Target="worksheets/s.xml"/></Relationships>',
    'xl/worksheets/s.xml': `<worksheet><sheetData>${rows}</sheetData></worksheet>`,
  })
const entities = '<!DOCTYPE w [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>'

describe('a bad workbook is told in words, and takes neither time nor memory', () => {
  it.each<[string, Uint8Array, RegExp]>([
    ['a zip that is no workbook', zipped({ 'readme.txt': 'hello' }), /no workbook/],
    ['a path that climbs out', zipped({ '../../etc/passwd': 'x' }), /no workbook/],
    ['one that is cut off', sheetOf('<row><c><v>1</v></c></row>').slice(0, 200), /damaged/],
    ['one that swells', sheetOf(`<row>${'<c><v>1</v></c>'.repeat(5_000_000)}</row>`), /larger than 60 MB/],
    [
      'a sheet of a million cells',
      sheetOf(`<row r="1">${'<c><v>1</v></c>'.repeat(1000)}</row>`),
      /more than can be read/,
    ],
    ['a cell beyond the edge', sheetOf('<row r="900000"><c r="A900000"><v>1</v></c></row>'), /more than can be read/],
    ['XML that is none', sheetOf('<row><c></row>'), /damaged inside/],
    [
      'entities that multiply',
      sheetOf(`</sheetData>${entities}<sheetData><row><c><v>&b;</v></c></row>`),
      /damaged inside/,
    ],
    ['nothing on any sheet', sheetOf('<row r="1"/>'.repeat(100_000)), /no sheet with anything/],
    ['an old one, or one with a password', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1]), /password/],
  ])('%s', (_, bytes, why) => {
    expect(() => readSheets(bytes)).toThrow(UnreadableFile)
    expect(() => readSheets(bytes)).toThrow(why)
  })
  it('though a million empty rows are none', () => {
    const bytes = sheetOf(`<row r="1"><c t="inlineStr"><is><t>Name</t></is></c></row>${'<row/>'.repeat(1_000_000)}`)
    expect(cellsOf(bytes)).toEqual([['S', [[1, 'Name']]]])
  })
})

describe('a workbook that goes out', () => {
  const tables = [
    {
      name: 'Results: Art/Craft',
      rows: [
        ['Number', 'Name', 'Mask'],
        ['05101', '=1+1', 17.5],
        ['05102', 'שלום & <co>', null],
      ],
    },
    { name: 'A very long name of a subject indeed, so long', rows: [['a']] },
    { name: 'A very long name of a subject indeed, so longer', rows: [['b']] },
  ]
  const written = async () => new Uint8Array(await writeWorkbook(bookOfTables(tables)).toBuffer())

  it('is read back by another library as it was put in, noughts and what looks like a formula too', async () => {
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await written()).buffer as ArrayBuffer)
    expect(book.worksheets.map(({ name }) => name)).toEqual([
      'Results Art Craft',
      'A very long name of a subject i',
      'A very long name of a subject 2',
    ])
    const [first] = book.worksheets
    expect([2, 3].map((row) => [1, 2, 3].map((column) => first?.getCell(row, column).value))).toEqual([
      ['05101', '=1+1', 17.5],
      ['05102', 'שלום & <co>', null],
    ])
  })

  it('comes in again as it went out', async () => {
    expect(cellsOf(await written())[0]).toEqual([
      'Results Art Craft',
      [
        [1, 'Number', 'Name', 'Mask'],
        [2, '05101', '=1+1', '17.5'],
        [3, '05102', 'שלום & <co>'],
      ],
    ])
  })
})
