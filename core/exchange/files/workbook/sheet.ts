import { UnreadableFile } from '../problem'
import { largestTable, type TableLimits, type TableRow } from '../readTable'

/** A sheet of a workbook, its cells as text; rows without any are left out. */
export interface Sheet {
  readonly name: string
  readonly rows: readonly TableRow[]
}

/** Takes a sheet's cells in, in any order, within what a table may hold. */
export class SheetBuilder {
  private readonly rows = new Map<number, string[]>()
  private cells = 0

  constructor(
    readonly name: string,
    private readonly largest: TableLimits = largestTable,
  ) {}

  /**
   * A cell by its place, both from 1. An empty one, or one of blanks, is no cell, wherever it stands.
   * @throws UnreadableFile when there is more than a table may hold
   */
  put(row: number, column: number, text: string): void {
    const written = text.trim()
    if (written === '') return
    if (row > this.largest.lines || column > this.largest.columns || (this.cells += 1) > this.largest.cells) {
      throw new UnreadableFile(
        `The sheet “${this.name}” holds more than can be read at once. ` +
          'Save only the rows and columns of one class, and choose that file.',
      )
    }
    const cells = this.rows.get(row) ?? []
    while (cells.length < column - 1) cells.push('')
    cells[column - 1] = written
    this.rows.set(row, cells)
  }

  sheet(): Sheet {
    const rows = [...this.rows]
      .toSorted(([one], [other]) => one - other)
      .map(([number, cells]) => ({ number, cells }))
      .filter(({ cells }) => cells.some((cell) => cell !== ''))
    return { name: this.name, rows }
  }
}
