import type { ListRow, ReadList, RefusedRow } from './readList'

/** What taking a list in would do to rows of some kind. */
export interface RowPlan<Row> {
  readonly added: readonly Row[]
  readonly changed: readonly { readonly was: Row; readonly row: Row }[]
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
}

/** Why a row is not taken in, in words for whoever brought the list. */
export class NotTaken extends Error {}

interface How<Key extends string, Row> {
  /** What tells the rows of the list apart, and what each is called. @throws NotTaken */
  readonly nameOf: (row: ListRow<Key>) => { place: string; name: string }
  /** The row that stands at a place. */
  readonly standing: (place: string) => Row | undefined
  /** A row that nobody has said anything of yet. @throws NotTaken */
  readonly fresh: (row: ListRow<Key>, added: readonly Row[]) => Row
  /** A row with what the list says of it; what it does not say stays. @throws NotTaken */
  readonly said: (row: ListRow<Key>, was: Row) => Row
}

/**
 * What a list would add and change, row by row: a wrong row never hides a good one, and one that stands twice is told.
 * @example planRows(list of one habit that is there, …) // { added: [], changed: [], unchanged: 1, refused: [] }
 */
export function planRows<Key extends string, Row>(list: ReadList<Key>, how: How<Key, Row>): RowPlan<Row> {
  const seen = new Map<string, number>()
  const plan = {
    added: [] as Row[],
    changed: [] as { was: Row; row: Row }[],
    unchanged: 0,
    refused: [] as RefusedRow[],
  }
  const take = (row: ListRow<Key>): void => {
    const { place, name } = how.nameOf(row)
    const before = seen.get(place)
    if (before !== undefined) throw new NotTaken(`“${name}” stands in row ${before} already.`)
    const was = how.standing(place)
    const after = how.said(row, was ?? how.fresh(row, plan.added))
    seen.set(place, row.row)
    if (was === undefined) plan.added.push(after)
    else if (JSON.stringify(after) === JSON.stringify(was)) plan.unchanged += 1
    else plan.changed.push({ was, row: after })
  }
  for (const row of list.rows) {
    try {
      take(row)
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      plan.refused.push({ row: row.row, reason: error.message })
    }
  }
  return plan
}
