import { useElementSize } from '@vueuse/core'

/** So wide is a column at least, and the names: narrower, and headings would run into each other. */
interface Widths {
  column: number
  names: number
  namesWhereNarrow: number
}

/** So many columns are drawn until it is known how wide the grid is: all of two hundred would be drawn for nothing. */
const beforeMeasured = 4

/**
 * The columns of a grid that there is room for: none is cut off, and the rest is said and a press away. The column at
 * hand is always among them.
 */
export function useColumnWindow(
  frame: Readonly<Ref<HTMLElement | null>>,
  { count, at, go }: { count: () => number; at: () => number; go: (column: number) => void },
  widths: Widths,
) {
  const { width } = useElementSize(frame)
  const nameWidth = computed(() => (width.value < 520 ? widths.namesWhereNarrow : widths.names))
  const fitting = computed(() =>
    width.value === 0
      ? Math.min(count(), beforeMeasured)
      : Math.min(count(), Math.max(1, Math.floor((width.value - nameWidth.value) / widths.column))),
  )
  /** The first column in view. */
  const from = ref(0)
  const last = computed(() => Math.min(count(), from.value + fitting.value))
  watch([at, fitting], ([now, fit]) => {
    // Two more than must be: one sees what comes next, and not every step moves all columns.
    const beyond = Math.min(2, fit - 1)
    if (now < from.value) from.value = now - beyond
    else if (now >= from.value + fit) from.value = now - fit + 1 + beyond
    from.value = Math.max(0, Math.min(from.value, count() - fit))
  })

  function turn(by: 1 | -1): void {
    const next = from.value + by * fitting.value
    go(Math.max(0, Math.min(count() - 1, next)))
    from.value = Math.max(0, Math.min(count() - fitting.value, next))
  }

  return { width, nameWidth, fitting, from, last, turn }
}
