/**
 * A report as a tree of plain blocks. The screen, the PDF and any later format are drawn from this one tree, so that
 * the preview cannot disagree with the paper.
 */
export interface ReportDocument {
  title: string
  /** BCP 47. */
  language: string
  paper: 'A4' | 'Letter'
  studentId: string
  studentName: string
  /** Stands at the foot of every page, before "page 1 of 2". */
  foot: string
  blocks: Block[]
}

export type Block =
  | { kind: 'heading'; level: 1 | 2 | 3; text: string }
  | { kind: 'paragraph'; text: string; voice: 'comment' | 'plain' | 'small' }
  /** Short facts, label and value. */
  | { kind: 'facts'; items: { label: string; value: string }[] }
  | { kind: 'table'; caption: string; columns: Column[]; rows: Cell[][] }
  /** Ruled lines to write on. */
  | { kind: 'lines'; label: string; count: number }
  /** Places to sign, side by side. */
  | { kind: 'signatures'; labels: string[] }

export interface Column {
  title: string
  /** Of the table's width; the shares of a table add up to 1. */
  share: number
}

/** A table cell; the first cell of a row is its header. */
export interface Cell {
  text: string
  /** A level drawn as ink strokes beside its symbol. */
  strokes?: { filled: number; of: number }
}
