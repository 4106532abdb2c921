/** One step: what it did, and what takes it back. */
export interface Step {
  readonly forth: () => void
  readonly back: () => void
}

/** Steps that can be taken back and done again, as many as there were since the grid was opened. */
export function useStepsBack(most = 200) {
  const done = shallowRef<readonly Step[]>([])
  const undone = shallowRef<readonly Step[]>([])

  function take(step: Step): void {
    step.forth()
    done.value = [...done.value.slice(1 - most), step]
    undone.value = []
  }

  function back(): void {
    const last = done.value.at(-1)
    if (!last) return
    last.back()
    done.value = done.value.slice(0, -1)
    undone.value = [...undone.value, last]
  }

  function again(): void {
    const next = undone.value.at(-1)
    if (!next) return
    next.forth()
    undone.value = undone.value.slice(0, -1)
    done.value = [...done.value, next]
  }

  return { done, undone, take, back, again }
}
