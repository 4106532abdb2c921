import { fields } from '../core/record/fields'

/** A day as an ISO date. */
export const { day } = fields

/** From when to when, both days included; null for an open end. */
export const stay = { from: day.nullable(), to: day.nullable() }

/** Whether the end does not come before the beginning. */
export function inOrder({ from, to }: { from: string | null; to: string | null }): boolean {
  return from === null || to === null || from <= to
}
export const outOfOrder = 'The last day comes before the first.'
