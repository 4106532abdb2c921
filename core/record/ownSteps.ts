/** An event of somebody's, as far as undoing and doing again look at it. */
export interface Step {
  readonly id: number
  /** "settled 3 marks" */
  readonly kind: string
  /** The event that it undid; null for a deed. */
  readonly undoes: number | null
  readonly undoneBy: number | null
}

/** What is undone next, and what is done again; null where there is nothing. */
export interface NextSteps<Some extends Step> {
  readonly undo: Some | null
  readonly again: Some | null
}

/**
 * What somebody can take back next, and bring back. Undoing is an event, and so is undoing that: what undoes an undoing
 * is a deed again. What was undone can be brought back until something new is done; the last undone first.
 * @param steps newest first
 * @param passed events that could not be undone, since somebody wrote there later: the one before comes next
 * @example nextSteps([{ id: 2, undoes: 1, … }, { id: 1, undoneBy: 2, … }]) // { undo: null, again: that of 2 }
 */
export function nextSteps<Some extends Step>(
  steps: readonly Some[],
  passed: ReadonlySet<number> = new Set(),
): NextSteps<Some> {
  const known = new Map(steps.map((step) => [step.id, step]))
  const isUndoing = ({ undoes }: Step): boolean => {
    if (undoes === null) return false
    const undone = known.get(undoes)
    return undone === undefined || !isUndoing(undone)
  }
  const newest = steps.find(({ undoes }) => undoes === null)?.id ?? 0
  const standing = steps.filter(({ id, undoneBy }) => undoneBy === null && !passed.has(id))
  return {
    undo: standing.find((step) => !isUndoing(step)) ?? null,
    again: standing.find((step) => isUndoing(step) && step.id > newest) ?? null,
  }
}
