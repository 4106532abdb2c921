import type { ReportDocument } from '../../core/reports/document'
import { ascentOf, ownFaces, type Face } from './faces'
import { composed, isPlain, linesOf, type Line, type Piece } from './styledLines'
import { style } from './sheetStyle'

type Doc = PDFKit.PDFDocument
export type Element = PDFKit.PDFStructureElement

/** Where text goes, and how large it is set. */
export interface Place {
  x?: number
  y?: number
  width?: number
  size: number
  lineGap?: number
  /** True for a text that stays on one line, come what may. */
  oneLine?: boolean
}

const heights = new Map<string, number>()
const mostHeights = 20_000
/** Characters that go into a line at the least; where even so a text fits, it need not be measured. */
const fewestInLine = 45

/**
 * The pages of one report: where the pen stands, what still fits, tags, text in whatever script, and the rules and page
 * numbers that are drawn last. What is set on them is in blocks.ts.
 */
export class Sheet {
  readonly section: Element
  private firstPage = 0
  private rules: { page: number; from: readonly [number, number]; to: readonly [number, number] }[] = []

  constructor(
    readonly doc: Doc,
    root: Element,
    private readonly report: ReportDocument,
  ) {
    this.section = doc.struct('Sect', { title: report.studentName })
    this.newPage()
    this.firstPage = doc.bufferedPageRange().start
    root.add(this.section)
    doc.outline.addItem(report.studentName)
  }

  get width(): number {
    return this.doc.page.width - style.margin.left - style.margin.right
  }

  get y(): number {
    return this.doc.y
  }

  set y(y: number) {
    this.doc.y = y
  }

  private get bottom(): number {
    return this.doc.page.height - this.doc.page.margins.bottom
  }

  newPage(): void {
    this.doc.addPage({
      size: this.report.paper === 'A4' ? 'A4' : 'LETTER',
      layout: this.report.landscape ? 'landscape' : 'portrait',
      margins: style.margin,
    })
  }

  /** Begins a new page when less than this height is left. @returns whether it did */
  keep(height: number): boolean {
    if (this.y + height <= this.bottom) return false
    this.newPage()
    return true
  }

  /** Writes text in a structure element of its own. */
  tagged(type: string, pieces: Piece | readonly Piece[], place: Place): void {
    const element = this.attach(this.section, type)
    this.content(element, () => this.write(pieces, place))
    element.end()
  }

  /** Writes text from where the pen stands (or from a place), over as many lines and pages as it takes. */
  write(pieces: Piece | readonly Piece[], place: Place): void {
    const all = [pieces].flat().map(composed)
    if (all.every(isPlain)) this.writePlain(all, place)
    else this.writeMixed(linesOf(all, place.oneLine ? Infinity : this.widthOf(place), this.measure(place.size)), place)
  }

  /** How high text is, set in a width. */
  height(pieces: Piece | readonly Piece[], place: Place): number {
    const all = [pieces].flat().map(composed)
    const [first] = all
    if (!first) return 0
    if (!all.every(isPlain)) {
      return linesOf(all, this.widthOf(place), this.measure(place.size)).length * this.lineHeight(first, place)
    }
    this.face(ownFaces[first.role], place.size)
    const { lineGap } = place
    return this.doc.heightOfString(all.map((each) => each.text).join(''), { width: this.widthOf(place), lineGap })
  }

  /** The same, remembered: most texts in tables are the same for every student. */
  rememberedHeight(piece: Piece, place: Place): number {
    const key = `${place.width}\u0000${place.size}\u0000${piece.role}\u0000${piece.text}`
    const known = heights.get(key)
    if (known !== undefined) return known
    const height = this.height(piece, place)
    if (heights.size < mostHeights) heights.set(key, height)
    return height
  }

  /**
   * Writes a paragraph of which no line stands alone at the foot or the head of a page: it goes on to the next page
   * where only one would fit here, and keeps one back where only one would be left for the next.
   */
  taggedParagraph(piece: Piece, place: Place): void {
    const shorterBy = this.linesToKeepBack(piece, place)
    const { page } = this.doc
    page.margins.bottom += shorterBy
    this.tagged('P', piece, place)
    page.margins.bottom -= shorterBy
  }

  /** A rule is ornament: it is drawn at the end, all of a page in one go, outside the structure. */
  rule(y: number, x: number = style.margin.left, width = this.width): void {
    this.stroke([x, y], [x + width, y])
  }

  /** The same from top to bottom. */
  upright(x: number, top: number, bottom: number): void {
    this.stroke([x, top], [x, bottom])
  }

  private stroke(from: readonly [number, number], to: readonly [number, number]): void {
    // Each remembers its page, since a long text may have gone on to the next one meanwhile.
    const { start, count } = this.doc.bufferedPageRange()
    this.rules.push({ page: start + count - 1, from, to })
  }

  attach(parent: Element, type: string, attributes?: Record<string, unknown>): Element {
    const element = this.doc.struct(type as never)
    parent.add(element)
    if (attributes) describe(element, attributes)
    return element
  }

  content(element: Element, draw: () => void): void {
    element.add(() => {
      draw()
    })
  }

  /** A picture in words for those who do not see it. */
  figure(parent: Element, alt: string, [x, top, right, bottom]: [number, number, number, number], draw: () => void) {
    const figure = this.doc.struct('Figure', { alt })
    parent.add(figure)
    const { height } = this.doc.page
    describe(figure, { O: 'Layout', Placement: 'Inline', BBox: [x, height - bottom, right, height - top] })
    this.content(figure, draw)
    figure.end()
  }

  /** Draws the rules, and "… page 1 of 2" at every foot. @returns how many pages it took */
  finish(): number {
    this.section.end()
    const { start, count } = this.doc.bufferedPageRange()
    const pages = start + count - this.firstPage
    for (let page = 0; page < pages; page += 1) {
      this.doc.switchToPage(this.firstPage + page)
      this.drawRules(this.firstPage + page)
      this.drawFoot(page + 1, pages)
    }
    return pages
  }

  private drawRules(page: number): void {
    const own = this.rules.filter((rule) => rule.page === page)
    if (own.length === 0) return
    this.doc.markContent('Artifact', { type: 'Layout' })
    for (const { from, to } of own) this.doc.moveTo(...from).lineTo(...to)
    this.doc.lineWidth(0.5).strokeColor(style.rule).stroke()
    this.doc.endMarkedContent()
  }

  private drawFoot(page: number, pages: number): void {
    const size = style.small - 0.5
    const y = this.doc.page.height - style.margin.bottom + 22
    const foot = (text: string): Piece => ({ text, role: 'label', colour: style.muted })
    // Below the bottom margin pdfkit would begin a new page.
    this.doc.page.margins.bottom = 0
    this.doc.markContent('Artifact', { type: 'Pagination', attached: ['Bottom'] } as never)
    this.write(foot(this.report.foot), { x: style.margin.left, y, width: this.width - 70, size, oneLine: true })
    const number = `page ${page} of ${pages}`
    const wide = this.measure(size)(number, ownFaces.label)
    this.write(foot(number), { x: style.margin.left + this.width - wide, y, size, oneLine: true })
    this.doc.endMarkedContent()
    this.doc.page.margins.bottom = style.margin.bottom
  }

  private face(face: Face, size: number): Doc {
    // The document knows the report's own faces; others are embedded when they are first needed.
    return this.doc.font(isOwn(face) ? face.name : face.file).fontSize(size)
  }

  private measure(size: number): (text: string, face: Face) => number {
    return (text, face) => this.face(face, size).widthOfString(text)
  }

  private lineHeight({ role }: Pick<Piece, 'role'>, { size, lineGap = 0 }: Place): number {
    return this.face(ownFaces[role], size).currentLineHeight(true) + lineGap
  }

  private widthOf({ width = this.width }: Place): number {
    return width
  }

  private writePlain(pieces: readonly Piece[], place: Place): void {
    const { x = style.margin.left, y = this.y, size, lineGap, oneLine } = place
    const width = this.widthOf(place)
    pieces.forEach(({ text, role, colour }, nth) => {
      const last = nth === pieces.length - 1
      const doc = this.face(ownFaces[role], size).fillColor(colour)
      const options = { lineGap, continued: !last, ...(oneLine ? { lineBreak: false } : {}) }
      if (nth === 0) doc.text(text, x, y, { width, ...options })
      else doc.text(text, options)
    })
  }

  /** Line by line and run by run, all on one base line. */
  private writeMixed(lines: readonly Line[], { x = style.margin.left, y = this.y, size, lineGap = 0, oneLine }: Place) {
    this.y = y
    for (const line of lines) {
      const role = line[0]?.role ?? 'label'
      const height = this.lineHeight({ role }, { size, lineGap })
      // A text that goes on takes its tag along to the next page.
      if (!oneLine && this.y + height > this.bottom) this.doc.continueOnNewPage()
      const top = this.y
      const ascent = ascentOf(ownFaces[role]) * size
      let at = x
      for (const run of line) {
        const options = { lineBreak: false, baseline: 'alphabetic' } as const
        this.face(run.face, size)
          .fillColor(run.colour)
          .text(run.text, at, top + ascent, options)
        at += run.width
      }
      this.y = top + height
    }
  }

  private linesToKeepBack(piece: Piece, place: Place): number {
    const line = this.lineHeight(piece, place)
    const fitting = Math.floor((this.bottom - this.y + (place.lineGap ?? 0)) / line)
    // Measuring costs as much as setting.
    if (fitting * fewestInLine >= piece.text.length) return 0
    const lines = Math.round(this.height(piece, place) / line)
    if (lines <= fitting) return 0
    if (fitting < 2 || (lines - fitting === 1 && fitting < 3)) this.newPage()
    else if (lines - fitting === 1) return line
    return 0
  }
}

function isOwn(face: Face): boolean {
  return face.name in ownFaces
}

/** pdfkit's structure elements carry their dictionary; attributes such as a header's scope are set on it. */
function describe(
  element: Element & { dictionary?: { data: Record<string, unknown> } },
  attributes: Record<string, unknown>,
): void {
  if (element.dictionary) element.dictionary.data.A = attributes
}
