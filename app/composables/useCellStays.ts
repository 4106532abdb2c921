import type { CellAt } from './useCellRange'

/**
 * The cell at hand stays that of the same child and the same column when others come or go around it: what is typed
 * next never goes to somebody else.
 * @param ids what the rows and the columns of the grid are about, in their order; an empty list leaves that place alone
 * @param put goes to where that is now; where it is there no more, the place stays the same, and among others that
 *   are all new it is the first
 */
export function useCellStays(
  ids: () => { rows: readonly string[]; columns: readonly string[] },
  { at, put }: { at: Readonly<Ref<CellAt>>; put: (to: CellAt) => void },
): void {
  let before = ids()
  watch(
    () => JSON.stringify(ids()),
    () => {
      const now = ids()
      const place = (from: readonly string[], to: readonly string[], nth: number): number => {
        const found = to.indexOf(from[nth] ?? '')
        if (found >= 0) return found
        if (to.length === 0) return nth
        return to.some((id) => from.includes(id)) ? Math.min(to.length - 1, nth) : 0
      }
      const { row, column } = at.value
      const to = { row: place(before.rows, now.rows, row), column: place(before.columns, now.columns, column) }
      before = now
      put(to)
    },
  )
}
