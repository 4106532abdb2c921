import { createHash } from 'node:crypto'
import { applyPatch, createPatch, type Operation } from 'rfc6902'
import type { Row } from './changeableTables'

/** What turns a row back into what it was: a cut in its text, and the rest as JSON Patch (RFC 6902). */
export interface Difference {
  text: { at: number; drop: number; put: string } | null
  rest: Operation[]
  /** Tells whether the row still stands as it was left. */
  digest: string
}

/** The way back from a row to what it was before. */
export function differenceBack(before: Row, after: Row): Difference {
  const { text: textBefore, ...restBefore } = before
  const { text: textAfter, ...restAfter } = after
  return {
    text: textBefore === textAfter ? null : splice(String(textAfter ?? ''), String(textBefore ?? '')),
    rest: createPatch(restAfter, restBefore),
    digest: digestOf(after),
  }
}

/** The row as it was. */
export function applyBack(now: Row, back: Difference): Row {
  const { text, ...rest } = structuredClone(now)
  applyPatch(rest, back.rest)
  if (back.text === null) return text === undefined ? rest : { ...rest, text }
  const { at, drop, put } = back.text
  const from = String(text ?? '')
  return { ...rest, text: from.slice(0, at) + put + from.slice(at + drop) }
}

/** A row's fingerprint; the order of its columns does not matter. */
export function digestOf(row: Row): string {
  return createHash('sha256').update(canonical(row)).digest('base64url').slice(0, 22)
}

/** The one cut that makes one text into another: what they share at both ends stays. */
function splice(from: string, to: string): { at: number; drop: number; put: string } {
  const most = Math.min(from.length, to.length)
  let head = 0
  while (head < most && from[head] === to[head]) head += 1
  let tail = 0
  while (tail < most - head && from[from.length - 1 - tail] === to[to.length - 1 - tail]) tail += 1
  return { at: head, drop: from.length - head - tail, put: to.slice(head, to.length - tail) }
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )
}
