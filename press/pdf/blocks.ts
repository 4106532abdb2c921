import { assertNever } from '../../core/assertNever'
import type { Block, Cell, Column } from '../../core/reports/document'
import type { Element, Sheet } from './Sheet'
import { style } from './sheetStyle'
import type { Piece } from './styledLines'

type Of<K extends Block['kind']> = Extract<Block, { kind: K }>

/** Tables of this height (in points) and more may go over a page. */
const tornFrom = 220
/** The width of one ink stroke, with the gap behind it. */
const stroke = 5
const pointsOfMillimetre = 72 / 25.4

/** Sets one block of a report where the pen stands. `next` is what follows it, for the company of a heading. */
export function setBlock(sheet: Sheet, block: Block, next: Block | undefined): void {
  switch (block.kind) {
    case 'heading':
      return setHeading(sheet, block, next)
    case 'paragraph':
      return setParagraph(sheet, block)
    case 'facts':
      return setFacts(sheet, block)
    case 'table':
      return setTable(sheet, block)
    case 'lines':
      return setLines(sheet, block)
    case 'signatures':
      return setSignatures(sheet, block)
    default:
      return assertNever(block)
  }
}

function label(text: string): Piece {
  return { text, role: 'label', colour: style.muted }
}

function setHeading(sheet: Sheet, { level, text }: Of<'heading'>, next: Block | undefined): void {
  const size = style.heading[level]
  const piece: Piece = { text, role: 'strong', colour: level === 1 ? style.ink : style.accent }
  if (level > 1) sheet.y += 6
  sheet.keep(sheet.height(piece, { size }) * 1.2 + companyOf(sheet, next))
  sheet.tagged(`H${level}`, piece, { size })
  sheet.y += level === 1 ? 4 : 2
}

/** A heading never stands alone at the foot of a page: the table below it comes along, or three lines of text. */
function companyOf(sheet: Sheet, next: Block | undefined): number {
  if (next?.kind === 'table') return Math.min(tableHeight(sheet, next), 160)
  return next?.kind === 'lines' || next?.kind === 'signatures' ? 110 : 70
}

function setParagraph(sheet: Sheet, { text, voice }: Of<'paragraph'>): void {
  if (voice === 'comment') {
    sheet.y += 3
    sheet.taggedParagraph({ text, role: 'text', colour: style.ink }, { size: style.text, lineGap: 1.4 })
  } else if (voice === 'plain') {
    sheet.taggedParagraph({ text, role: 'label', colour: style.ink }, { size: style.text, lineGap: 0 })
  } else sheet.taggedParagraph(label(text), { size: style.small, lineGap: 0 })
  sheet.y += 4
}

function setFacts(sheet: Sheet, { items }: Of<'facts'>): void {
  const pieces = items.flatMap((item, nth): Piece[] => [
    label(`${item.label} `),
    { text: nth === items.length - 1 ? item.value : `${item.value}     `, role: 'strong', colour: style.ink },
  ])
  const place = { size: style.text - 1 }
  sheet.keep(Math.max(20, sheet.height(pieces, place)))
  sheet.tagged('P', pieces, place)
  sheet.y += 3
}

function setTable(sheet: Sheet, table: Of<'table'>): void {
  // A short table is not torn: a single row over the page would lose its company.
  const whole = tableHeight(sheet, table)
  if (whole < tornFrom) sheet.keep(whole)
  const element = sheet.attach(sheet.section, 'Table')
  setHead(sheet, element, table)
  for (const row of table.rows) {
    const height = rowHeight(sheet, row, table)
    if (sheet.keep(height)) setHead(sheet, element, table)
    setRow(sheet, element, { cells: row, table, height })
  }
  element.end()
  sheet.y += 5
}

function setHead(sheet: Sheet, element: Element, { columns, ruled }: Of<'table'>): void {
  const top = sheet.y
  const row = sheet.attach(element, 'TR')
  const size = style.small
  // Over a narrow column to write into, a heading takes as many lines as it needs.
  const widthOf = ({ share }: Column): number => share * sheet.width - (ruled ? 4 : 0)
  const height = ruled
    ? Math.max(...columns.map((each) => sheet.height(label(each.title), { width: widthOf(each), size }))) + 4
    : size * 1.6
  let x: number = style.margin.left
  for (const [nth, column] of columns.entries()) {
    const cell = sheet.attach(row, 'TH', { O: 'Table', Scope: 'Column' })
    const place = { x: x + (ruled && nth > 0 ? 4 : 0), y: top, width: widthOf(column), size, oneLine: !ruled }
    sheet.content(cell, () => sheet.write(label(column.title), place))
    cell.end()
    x += column.share * sheet.width
  }
  row.end()
  sheet.rule(top + height)
  sheet.y = top + height + (ruled ? 0 : 1)
}

function setRow(
  sheet: Sheet,
  element: Element,
  { cells, table: { columns, ruled }, height }: { cells: readonly Cell[]; table: Of<'table'>; height: number },
): void {
  const top = sheet.y
  const row = sheet.attach(element, 'TR')
  let x: number = style.margin.left
  columns.forEach((column, nth) => {
    const cell = cells[nth]
    const part = sheet.attach(row, nth === 0 ? 'TH' : 'TD', nth === 0 ? { O: 'Table', Scope: 'Row' } : undefined)
    // A name stands at the foot of a high row, where the pen writes too.
    const down = ruled && cell?.text ? height - sheet.height(inCell(cell), cellPlace(column, sheet)) - 5 : 0
    if (cell) setCell(sheet, part, cell, { x, top: top + down, width: column.share * sheet.width })
    part.end()
    x += column.share * sheet.width
    if (ruled) sheet.upright(x, top, top + height)
  })
  row.end()
  sheet.rule(top + height)
  sheet.y = top + height
}

interface Field {
  x: number
  top: number
  width: number
}

function setCell(sheet: Sheet, element: Element, cell: Cell, { x, top, width }: Field): void {
  const y = top + style.cellPadding
  if (cell.strokes) setStrokes(sheet, element, cell.strokes, { x, top: y, width })
  const place = { x: x + indentOf(cell), y, width: width - indentOf(cell) - 4, size: style.text - 1 }
  sheet.content(element, () => sheet.write(inCell(cell), place))
}

function cellPlace({ share }: Column, sheet: Sheet): { width: number; size: number } {
  return { width: share * sheet.width - 4, size: style.text - 1 }
}

function inCell({ text }: Cell): Piece {
  return { text, role: 'label', colour: style.ink }
}

function indentOf({ strokes }: Cell): number {
  return strokes ? strokes.of * stroke + 6 : 0
}

/** A level as ink strokes: so many dark ones out of the scale's length. They read in grey, too. */
function setStrokes(sheet: Sheet, element: Element, { filled, of }: NonNullable<Cell['strokes']>, field: Field): void {
  const { x, top } = field
  const { doc } = sheet
  const draw = (from: number, to: number, height: number): typeof doc => {
    for (let nth = from; nth < to; nth += 1)
      doc.moveTo(x + 1.5 + nth * stroke, top + 9).lineTo(x + 1.5 + nth * stroke, height)
    return doc
  }
  sheet.figure(element, `${filled} of ${of} strokes.`, [x, top, x + of * stroke, top + 9], () => {
    draw(0, filled, top + 0.5)
      .lineWidth(2.2)
      .strokeColor(style.accent)
      .stroke()
    if (filled < of)
      draw(filled, of, top + 6)
        .lineWidth(0.8)
        .strokeColor(style.muted)
        .stroke()
  })
}

function setLines(sheet: Sheet, { label: text, count }: Of<'lines'>): void {
  sheet.tagged('P', label(text), { size: style.small })
  for (let line = 0; line < count; line += 1) sheet.rule((sheet.y += 22))
  sheet.y += 6
}

function setSignatures(sheet: Sheet, { labels }: Of<'signatures'>): void {
  const top = sheet.y + 26
  const each = sheet.width / labels.length
  labels.forEach((text, nth) => {
    const x = style.margin.left + nth * each
    sheet.rule(top, x, each - 24)
    sheet.tagged('P', label(text), { x, y: top + 3, width: each - 24, size: style.small, oneLine: true })
  })
  sheet.y = top + 18
}

function tableHeight(sheet: Sheet, table: Of<'table'>): number {
  return table.rows.reduce((sum, row) => sum + rowHeight(sheet, row, table), style.small * 1.6)
}

function rowHeight(sheet: Sheet, row: readonly Cell[], { columns, ruled }: Of<'table'>): number {
  return Math.max(
    (ruled?.rowHeight ?? 0) * pointsOfMillimetre,
    ...row.map((cell, nth) => {
      const width = (columns[nth]?.share ?? 1) * sheet.width - indentOf(cell) - 4
      return sheet.rememberedHeight(inCell(cell), { width, size: style.text - 1 }) + 2 * style.cellPadding
    }),
  )
}
