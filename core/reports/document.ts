import { z } from 'zod'

/** A table cell; the first cell of a row is its header. */
const cellSchema = z.object({
  text: z.string(),
  /** A level drawn as ink strokes beside its symbol. */
  strokes: z.object({ filled: z.number(), of: z.number() }).optional(),
})
export type Cell = Readonly<z.infer<typeof cellSchema>>

const columnSchema = z.object({
  title: z.string(),
  /** Of the table's width; the shares of a table add up to 1. */
  share: z.number(),
})
export type Column = Readonly<z.infer<typeof columnSchema>>

const blockSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('heading'), level: z.literal([1, 2, 3]), text: z.string() }),
  z.object({ kind: z.literal('paragraph'), text: z.string(), voice: z.enum(['comment', 'plain', 'small']) }),
  /** Short facts, label and value. */
  z.object({ kind: z.literal('facts'), items: z.array(z.object({ label: z.string(), value: z.string() })) }),
  z.object({
    kind: z.literal('table'),
    caption: z.string(),
    columns: z.array(columnSchema),
    rows: z.array(z.array(cellSchema)),
    /** For tables to write into: every cell ruled, each row at least so high (in millimetres). */
    ruled: z.object({ rowHeight: z.number() }).optional(),
  }),
  /** Ruled lines to write on. */
  z.object({ kind: z.literal('lines'), label: z.string(), count: z.number() }),
  /** Places to sign, side by side. */
  z.object({ kind: z.literal('signatures'), labels: z.array(z.string()) }),
])
export type Block = z.infer<typeof blockSchema>

/**
 * A report as a tree of plain blocks. The screen, the PDF and any later format are drawn from this one tree, so that
 * the preview cannot disagree with the paper. It has a version, so that what was kept is read again years later.
 */
export const reportDocumentSchema = z.object({
  version: z.literal(1),
  title: z.string(),
  /** BCP 47. */
  language: z.string(),
  paper: z.enum(['A4', 'Letter']),
  /** Whether the paper lies on its long side. */
  landscape: z.boolean().optional(),
  studentId: z.string(),
  studentName: z.string(),
  /** Stands at the foot of every page, before "page 1 of 2". */
  foot: z.string(),
  blocks: z.array(blockSchema),
})
export type ReportDocument = Readonly<z.infer<typeof reportDocumentSchema>>
