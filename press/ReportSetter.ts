import type { Block, Cell, Column, ReportDocument } from '../core/reports/document'
import type { FontRole } from './fonts'
import { style } from './sheetStyle'

type Doc = PDFKit.PDFDocument
type Element = PDFKit.PDFStructureElement

/** pdfkit's structure elements carry their dictionary; attributes such as a header's scope are set on it. */
interface WithDictionary {
  dictionary: { data: Record<string, unknown> }
}

const heights = new Map<string, number>()
const mostHeights = 20_000
/** Tables of this height (in points) and more may go over a page. */
const tornFrom = 220
/** Characters that go into a line at the least; where even so a text fits, it need not be measured. */
const fewestInLine = 45

/** Sets one report on pages of its own, with its structure: sections, headings, paragraphs, tables with headers. */
export class ReportSetter {
  private readonly section: Element
  private firstPage = 0
  private rules: { page: number; from: number; y: number; to: number }[] = []

  constructor(
    private readonly doc: Doc,
    private readonly root: Element,
    private readonly report: ReportDocument,
  ) {
    this.section = doc.struct('Sect', { title: report.studentName })
  }

  /** @returns how many pages it took */
  set(): number {
    const { doc, report } = this
    this.newPage()
    this.firstPage = doc.bufferedPageRange().start
    this.root.add(this.section)
    doc.outline.addItem(report.studentName)
    report.blocks.forEach((block, index) => this.setBlock(block, report.blocks[index + 1]))
    this.section.end()
    return this.finishPages()
  }

  private get width(): number {
    return this.doc.page.width - style.margin.left - style.margin.right
  }

  private get bottom(): number {
    return this.doc.page.height - style.margin.bottom
  }

  private newPage(): void {
    this.doc.addPage({ size: this.report.paper === 'A4' ? 'A4' : 'LETTER', margins: style.margin })
  }

  /** Begins a new page when less than this height is left. */
  private keep(height: number): void {
    if (this.doc.y + height > this.bottom) this.newPage()
  }

  private face(role: FontRole, size: number, colour: string): Doc {
    return this.doc.font(role).fontSize(size).fillColor(colour)
  }

  private setBlock(block: Block, next: Block | undefined): void {
    switch (block.kind) {
      case 'heading':
        return this.setHeading(block, next)
      case 'paragraph':
        return this.setParagraph(block)
      case 'facts':
        return this.setFacts(block)
      case 'table':
        return this.setTable(block)
      case 'lines':
        return this.setLines(block)
      case 'signatures':
        return this.setSignatures(block)
    }
  }

  private setHeading(block: Extract<Block, { kind: 'heading' }>, next: Block | undefined): void {
    const size = style.heading[block.level]
    // A heading never stands alone at the foot of a page: the table below it comes along, or three lines of text.
    const company =
      next?.kind === 'table'
        ? Math.min(this.tableHeight(next), 160)
        : next?.kind === 'lines' || next?.kind === 'signatures'
          ? 110
          : 70
    if (block.level > 1) this.doc.y += 6
    this.keep(size * 1.5 + company)
    this.add(this.section, `H${block.level}`, () => {
      this.face('strong', size, block.level === 1 ? style.ink : style.accent).text(
        block.text,
        style.margin.left,
        this.doc.y,
        { width: this.width },
      )
    })
    this.doc.y += block.level === 1 ? 4 : 2
  }

  private setParagraph(block: Extract<Block, { kind: 'paragraph' }>): void {
    const [role, size, colour] =
      block.voice === 'comment'
        ? (['text', style.text, style.ink] as const)
        : block.voice === 'plain'
          ? (['label', style.text, style.ink] as const)
          : (['label', style.small, style.muted] as const)
    const lineGap = block.voice === 'comment' ? 1.4 : 0
    this.doc.y += block.voice === 'comment' ? 3 : 0
    this.face(role, size, colour)
    const page = this.doc.page
    const shorterBy = this.linesToKeepBack(block.text, lineGap)
    page.margins.bottom += shorterBy
    this.add(this.section, 'P', () => {
      this.face(role, size, colour).text(block.text, style.margin.left, this.doc.y, { width: this.width, lineGap })
    })
    page.margins.bottom -= shorterBy
    this.doc.y += 4
  }

  /**
   * No line of a paragraph stands alone at the foot or the head of a page: goes on to the next page where only one
   * would fit here, and keeps one back where only one would be left for the next.
   * @returns by how many points the page must end earlier for this paragraph
   */
  private linesToKeepBack(text: string, lineGap: number): number {
    const line = this.doc.currentLineHeight(true) + lineGap
    const fitting = Math.floor((this.bottom - this.doc.y + lineGap) / line)
    // Measuring costs as much as setting.
    if (fitting * fewestInLine >= text.length) return 0
    const lines = Math.round(this.doc.heightOfString(text, { width: this.width, lineGap }) / line)
    if (lines <= fitting) return 0
    if (fitting < 2 || (lines - fitting === 1 && fitting < 3)) this.newPage()
    else if (lines - fitting === 1) return line
    return 0
  }

  private setFacts(block: Extract<Block, { kind: 'facts' }>): void {
    this.keep(20)
    this.add(this.section, 'P', () => {
      block.items.forEach(({ label, value }, index) => {
        const last = index === block.items.length - 1
        const x = index === 0 ? style.margin.left : undefined
        this.face('label', style.text - 1, style.muted)
        if (x === undefined) this.doc.text(`${label} `, { continued: true })
        else this.doc.text(`${label} `, x, this.doc.y, { width: this.width, continued: true })
        this.face('strong', style.text - 1, style.ink).text(last ? value : `${value}     `, { continued: !last })
      })
    })
    this.doc.y += 3
  }

  private setTable(block: Extract<Block, { kind: 'table' }>): void {
    // A short table is not torn: a single row over the page would lose its company.
    const whole = this.tableHeight(block)
    if (whole < tornFrom) this.keep(whole)
    const table = this.attach(this.section, 'Table')
    this.setHead(table, block.columns)
    for (const row of block.rows) {
      const height = this.rowHeight(row, block.columns)
      if (this.doc.y + height > this.bottom) {
        this.newPage()
        this.setHead(table, block.columns)
      }
      this.setRow(table, row, block.columns, height)
    }
    table.end()
    this.doc.y += 5
  }

  private setHead(table: Element, columns: readonly Column[]): void {
    const top = this.doc.y
    const height = style.small * 1.6
    const row = this.attach(table, 'TR')
    let x: number = style.margin.left
    for (const column of columns) {
      const cell = this.attach(row, 'TH')
      attribute(cell, { O: 'Table', Scope: 'Column' })
      const left = x
      this.content(cell, () =>
        this.face('label', style.small, style.muted).text(column.title, left, top, {
          width: column.share * this.width,
          lineBreak: false,
        }),
      )
      cell.end()
      x += column.share * this.width
    }
    row.end()
    this.rule(top + height)
    this.doc.y = top + height + 1
  }

  private setRow(table: Element, cells: readonly Cell[], columns: readonly Column[], height: number): void {
    const top = this.doc.y
    const row = this.attach(table, 'TR')
    let x: number = style.margin.left
    columns.forEach((column, index) => {
      const cell = cells[index]
      const element = this.attach(row, index === 0 ? 'TH' : 'TD')
      if (index === 0) attribute(element, { O: 'Table', Scope: 'Row' })
      if (cell) this.setCell(element, cell, x, top, column.share * this.width)
      element.end()
      x += column.share * this.width
    })
    row.end()
    this.rule(top + height)
    this.doc.y = top + height
  }

  private setCell(element: Element, cell: Cell, x: number, top: number, width: number): void {
    const indent = cell.strokes ? cell.strokes.of * 5 + 6 : 0
    if (cell.strokes) this.setStrokes(element, cell.strokes, x, top + style.cellPadding)
    this.content(element, () => {
      this.face('label', style.text - 1, style.ink).text(cell.text, x + indent, top + style.cellPadding, {
        width: width - indent - 4,
      })
    })
  }

  /** A level as ink strokes: so many dark ones out of the scale's length. They read in grey, too. */
  private setStrokes(element: Element, { filled, of }: { filled: number; of: number }, x: number, top: number): void {
    const figure = this.doc.struct('Figure', { alt: `${filled} of ${of} strokes.` })
    element.add(figure)
    const page = this.doc.page.height
    attribute(figure, { O: 'Layout', Placement: 'Inline', BBox: [x, page - top - 9, x + of * 5, page - top] })
    this.content(figure, () => {
      this.drawStrokes(x, top + 0.5, top, 0, filled)
        .lineWidth(2.2)
        .strokeColor(style.accent)
        .stroke()
      if (filled < of)
        this.drawStrokes(x, top + 6, top, filled, of)
          .lineWidth(0.8)
          .strokeColor(style.muted)
          .stroke()
    })
    figure.end()
  }

  private drawStrokes(x: number, height: number, top: number, from: number, to: number): Doc {
    for (let stroke = from; stroke < to; stroke += 1)
      this.doc.moveTo(x + 1.5 + stroke * 5, top + 9).lineTo(x + 1.5 + stroke * 5, height)
    return this.doc
  }

  private setLines(block: Extract<Block, { kind: 'lines' }>): void {
    this.add(this.section, 'P', () => {
      this.face('label', style.small, style.muted).text(block.label, style.margin.left, this.doc.y, {
        width: this.width,
      })
    })
    for (let line = 0; line < block.count; line += 1) this.rule((this.doc.y += 22))
    this.doc.y += 6
  }

  private setSignatures(block: Extract<Block, { kind: 'signatures' }>): void {
    const top = this.doc.y + 26
    const each = this.width / block.labels.length
    block.labels.forEach((label, index) => {
      const x = style.margin.left + index * each
      this.rule(top, x, each - 24)
      this.add(this.section, 'P', () => {
        this.face('label', style.small, style.muted).text(label, x, top + 3, { width: each - 24, lineBreak: false })
      })
    })
    this.doc.y = top + 18
  }

  /** The rules, and "… page 1 of 2", on every page of this report. */
  private finishPages(): number {
    const { start, count } = this.doc.bufferedPageRange()
    const pages = start + count - this.firstPage
    for (let page = 0; page < pages; page += 1) {
      this.doc.switchToPage(this.firstPage + page)
      this.drawRules(this.firstPage + page)
      const y = this.doc.page.height - style.margin.bottom + 22
      // Below the bottom margin pdfkit would begin a new page.
      this.doc.page.margins.bottom = 0
      this.doc.markContent('Artifact', { type: 'Pagination', attached: ['Bottom'] } as never)
      this.face('label', style.small - 0.5, style.muted)
      this.doc.text(this.report.foot, style.margin.left, y, { width: this.width - 70, lineBreak: false })
      this.doc.text(`page ${page + 1} of ${pages}`, style.margin.left, y, {
        width: this.width,
        align: 'right',
        lineBreak: false,
      })
      this.doc.endMarkedContent()
      this.doc.page.margins.bottom = style.margin.bottom
    }
    return pages
  }

  /**
   * Rules are ornament: they are drawn at the end, all of a page in one go, outside the structure. Each remembers its
   * page, since a long text may have gone on to the next one meanwhile.
   */
  private rule(y: number, x: number = style.margin.left, width = this.width): void {
    const { start, count } = this.doc.bufferedPageRange()
    this.rules.push({ page: start + count - 1, from: x, y, to: x + width })
  }

  private drawRules(page: number): void {
    const own = this.rules.filter((rule) => rule.page === page)
    if (own.length === 0) return
    this.doc.markContent('Artifact', { type: 'Layout' })
    for (const { from, y, to } of own) this.doc.moveTo(from, y).lineTo(to, y)
    this.doc.lineWidth(0.5).strokeColor(style.rule).stroke()
    this.doc.endMarkedContent()
  }

  private tableHeight(block: Extract<Block, { kind: 'table' }>): number {
    return block.rows.reduce((sum, row) => sum + this.rowHeight(row, block.columns), style.small * 1.6)
  }

  /** Most table texts are the same for every student, so their heights are measured once. */
  private rowHeight(row: readonly Cell[], columns: readonly Column[]): number {
    return Math.max(
      ...row.map((cell, index) => {
        const width = (columns[index]?.share ?? 1) * this.width - (cell.strokes ? cell.strokes.of * 5 + 6 : 0) - 4
        const key = `${width}\u0000${cell.text}`
        const known = heights.get(key)
        if (known !== undefined) return known
        const height =
          this.face('label', style.text - 1, style.ink).heightOfString(cell.text, { width }) + 2 * style.cellPadding
        if (heights.size < mostHeights) heights.set(key, height)
        return height
      }),
    )
  }

  private attach(parent: Element, type: string): Element {
    const element = this.doc.struct(type as never)
    parent.add(element)
    return element
  }

  private add(parent: Element, type: string, content: () => void): void {
    const element = this.attach(parent, type)
    this.content(element, content)
    element.end()
  }

  private content(element: Element, draw: () => void): void {
    element.add(() => {
      draw()
    })
  }
}

function attribute(element: Element, attributes: Record<string, unknown>): void {
  ;(element as unknown as WithDictionary).dictionary.data.A = attributes
}
