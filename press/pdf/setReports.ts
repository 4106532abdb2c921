import { once } from 'node:events'
import { setImmediate } from 'node:timers/promises'
import type { Writable } from 'node:stream'
import PDFDocument from 'pdfkit'
import type { ReportDocument } from '../../core/reports/document'
import { setBlock } from './blocks'
import { ownFaces } from './faces'
import { Sheet } from './Sheet'
import { style } from './sheetStyle'
import { NoSign } from './styledLines'

/** Bytes that may wait to flow out. */
const mostWaiting = 64 * 1024

export interface SetOptions {
  /** The whole file's title. */
  title: string
  language: string
  /** The time written into the file; nothing here reads a clock. */
  madeAt: Date
  /** Called after each report; returning false gives the rest up. */
  onReport?: (done: number, report: ReportDocument, pages: number) => boolean | undefined
}

/**
 * Sets reports into one tagged PDF, each beginning on a new page, and streams it out: the pages of a report leave
 * memory when it is done, so the size of the class does not matter.
 * @returns pages by student id, in the order set
 * @throws Error naming the student in whose report stands a character that no font here has
 */
export async function setReports(
  reports: Iterable<ReportDocument>,
  out: Writable,
  options: SetOptions,
): Promise<Map<string, number>> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    bufferPages: true,
    tagged: true,
    displayTitle: true,
    pdfVersion: '1.7',
    subset: 'PDF/UA' as never,
    lang: options.language,
    margins: style.margin,
    info: {
      Title: options.title,
      CreationDate: options.madeAt,
      ModDate: options.madeAt,
      Producer: 'Facunda',
      Creator: 'Facunda',
    },
  })
  doc.pipe(out)
  for (const { name, file } of Object.values(ownFaces)) doc.registerFont(name, file)
  const root = doc.struct('Document', { title: options.title })
  doc.addStructure(root)
  const pages = new Map<string, number>()
  for (const report of reports) {
    const count = setReport(doc, root, report)
    pages.set(report.studentId, count)
    doc.flushPages()
    if (options.onReport?.(pages.size, report, count) === false) break
    // What has been set flows on before more is made, so that memory stays flat.
    while (doc.readableLength > mostWaiting) await setImmediate()
  }
  root.end()
  const finished = once(out, 'finish')
  doc.end()
  await finished
  return pages
}

/** Sets one report on pages of its own, with its structure. @returns how many pages it took */
function setReport(doc: PDFKit.PDFDocument, root: PDFKit.PDFStructureElement, report: ReportDocument): number {
  try {
    const sheet = new Sheet(doc, root, report)
    report.blocks.forEach((block, nth) => setBlock(sheet, block, report.blocks[nth + 1]))
    return sheet.finish()
  } catch (error) {
    if (error instanceof NoSign) throw new Error(`${report.studentName}: ${error.message}`, { cause: error })
    throw error
  }
}
