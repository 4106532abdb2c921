/** A cell by its row and column, from 0. */
export interface CellAt {
  row: number
  column: number
}

/** The cell that is at hand in a grid, and the block of cells from the one where choosing began. */
export function useCellRange(size: () => { rows: number; columns: number }) {
  const at = ref<CellAt>({ row: 0, column: 0 })
  const from = ref<CellAt>({ row: 0, column: 0 })

  function within({ row, column }: CellAt): CellAt {
    const { rows, columns } = size()
    return {
      row: Math.max(0, Math.min(rows - 1, row)),
      column: Math.max(0, Math.min(columns - 1, column)),
    }
  }

  /** Goes to a cell; with `extend` the block grows to it. */
  function go(to: CellAt, extend = false): void {
    at.value = within(to)
    if (!extend) from.value = at.value
  }

  const block = computed(() => ({
    top: Math.min(at.value.row, from.value.row),
    bottom: Math.max(at.value.row, from.value.row),
    left: Math.min(at.value.column, from.value.column),
    right: Math.max(at.value.column, from.value.column),
  }))

  /** Where a key leads, as in a spreadsheet; null for a key that leads nowhere. */
  function stepOf({ key, ctrlKey, metaKey }: KeyboardEvent, page: number): CellAt | null {
    const { row, column } = at.value
    const { rows, columns } = size()
    const far = ctrlKey || metaKey
    const steps: Record<string, CellAt> = {
      ArrowDown: { row: far ? rows - 1 : row + 1, column },
      ArrowUp: { row: far ? 0 : row - 1, column },
      ArrowRight: { row, column: far ? columns - 1 : column + 1 },
      ArrowLeft: { row, column: far ? 0 : column - 1 },
      PageDown: { row: row + page, column },
      PageUp: { row: row - page, column },
      Home: { row: far ? 0 : row, column: 0 },
      End: { row: far ? rows - 1 : row, column: columns - 1 },
    }
    return steps[key] ?? null
  }

  return { at, block, go, stepOf }
}
